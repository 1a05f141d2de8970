import { rangesOf, type Instrument, type Range } from '../instrument/index.ts';
import { solveUnloaded, type Unloaded } from '../loading/index.ts';
import { nodesOf } from '../network/index.ts';
import { standardUncertainty, type CircuitReading } from '../readings/index.ts';
import { withFault, type Hypothesis } from '../faults/index.ts';
import type { DiagnosedJob } from './diagnosed-job.ts';
import { indicationsIn, type Indications } from './causes/elsewhere.ts';

/** Divisor in place of zero. */
const tiny = 1e-300;

/** Reading that would separate hypotheses. */
export type NextReading =
  | { readonly quantity: 'dc-voltage'; readonly red: string; readonly black: string; readonly separates: number }
  | {
      readonly quantity: 'dc-current';
      readonly node: string;
      readonly ends: readonly string[];
      readonly separates: number;
    };

/**
 * Returns the reading that distinguishes the leading hypotheses best: the one at which most of them differ by 2U or more, and
 * by the most. A voltage is cheaper than a current, which is proposed only if no voltage distinguishes any.
 *
 * @param faultFree  the network without a fault, solved
 * @param leaders  the best hypothesis of each leading group
 * @returns null if no reading would
 */
export function nextReading(
  job: DiagnosedJob,
  faultFree: Unloaded,
  leaders: readonly Hypothesis[],
): NextReading | null {
  const circuits = leaders.flatMap((leader) => indicationsWith(job, leader) ?? []);
  return circuits.length < leaders.length ? null : distinguishingReading(job, faultFree, circuits);
}

/** Returns the same for circuits whose indications are known. */
export function distinguishingReading(
  { network, instruments = [] }: DiagnosedJob,
  faultFree: Unloaded,
  circuits: readonly Indications[],
): NextReading | null {
  if (circuits.length < 2) return null;
  const { nodes } = faultFree.values;
  const voltages = nodesOf(network).flatMap((one, at, all) =>
    all.slice(at + 1).map((other) => {
      // Red on the higher of the two, as in the fault-free circuit.
      const [red, black] = (nodes[one] ?? 0) < (nodes[other] ?? 0) ? [other, one] : [one, other];
      return { quantity: 'dc-voltage', red, black } as const;
    }),
  );
  const currents = network.elements.map(
    ({ id, from }) => ({ quantity: 'dc-current', node: from, ends: [`${id}.from`] }) as const,
  );
  return best(voltages, instruments, circuits) ?? best(currents, instruments, circuits);
}

/** Returns the indications in the circuit with a fault; null if it cannot be solved. */
export function indicationsWith(
  { network, instruments = [], conventions = {} }: DiagnosedJob,
  fault: Hypothesis,
): Indications | null {
  const changed = withFault({ network, instruments }, fault);
  const solved = solveUnloaded(changed.network);
  if (!solved.ok) return null;
  const at = indicationsIn(solved.value, changed.instruments);
  const recorded = conventions.sign === 'magnitude' ? Math.abs : (value: number) => value;
  return (reading) => recorded(at(reading));
}

/** Values that hypotheses predict for the next reading, on the range that reads them best. */
export interface NextPredictions {
  readonly instrument: string;
  readonly range: string;
  /** V or A, in the order of the hypotheses; null if a hypothesis leaves the circuit without a solution. */
  readonly values: readonly (number | null)[];
  /** U of a reading there, k = 2. */
  readonly uncertainty: number;
}

/** Returns the values that hypotheses predict for a reading; null if no range has room for all of them. */
export function nextPredictions(
  job: DiagnosedJob,
  { separates: _count, ...place }: NextReading,
  hypotheses: readonly Hypothesis[],
): NextPredictions | null {
  const circuits = hypotheses.map((one) => indicationsWith(job, one));
  const valuesOn = (reading: CircuitReading): number[] => circuits.flatMap((at) => (at ? [at(reading)] : []));
  const sharpest = sharpestRange(job.instruments ?? [], place, valuesOn);
  if (!sharpest) return null;
  const { instrument, range, u } = sharpest;
  const reading = readingOn(instrument, range, place);
  return {
    instrument: instrument.id,
    range: range.id,
    values: circuits.map((at) => at?.(reading) ?? null),
    uncertainty: 2 * u,
  };
}

/** Where a lone meter is put. */
type Place =
  | { readonly quantity: 'dc-voltage'; readonly red: string; readonly black: string }
  | { readonly quantity: 'dc-current'; readonly node: string; readonly ends: readonly string[] };

function best(
  places: readonly Place[],
  instruments: readonly Instrument[],
  circuits: readonly Indications[],
): NextReading | null {
  let found: { readonly place: Place; readonly separates: number; readonly apart: number } | null = null;
  for (const place of places) {
    const told = tellApart(place, instruments, circuits);
    if (!told || told.separates < 2) continue;
    const better =
      found === null ||
      told.separates > found.separates ||
      (told.separates === found.separates && told.apart > found.apart);
    if (better) found = { place, ...told };
  }
  return found && { ...found.place, separates: found.separates };
}

/** A range that a place can be read on, and the standard uncertainty that it leaves. */
interface SharpRange {
  readonly instrument: Instrument;
  readonly range: Range;
  readonly u: number;
}

/**
 * The range of some instruments that reads the possible values of a place with the least uncertainty.
 *
 * @param valuesOn  V or A that may be indicated on a range; none of them may be over it
 * @returns null if no range has room for all of them
 */
function sharpestRange(
  instruments: readonly Instrument[],
  place: Place,
  valuesOn: (reading: CircuitReading) => readonly number[],
): SharpRange | null {
  let sharpest: SharpRange | null = null;
  for (const instrument of instruments)
    for (const range of rangesOf(instrument, place.quantity)) {
      const reading = readingOn(instrument, range, place);
      const values = valuesOn(reading);
      if (values.some((value) => Math.abs(value) > range.fullScale || (value < 0 && instrument.display === 'analogue')))
        continue;
      // Of the instrument alone: what the parts' tolerances leave open is the same for the readings that are there already.
      const u = Math.max(...values.map((value) => standardUncertainty(reading, instrument, value, 0)), tiny);
      if (!sharpest || u < sharpest.u) sharpest = { instrument, range, u };
    }
  return sharpest;
}

const readingOn = (instrument: Instrument, range: Range, place: Place): CircuitReading => ({
  id: 'next',
  instrument: instrument.id,
  range: range.id,
  observations: [],
  ...place,
});

/** Returns the number of hypotheses that a place separates, and the distance of the nearest two of them in 2U. */
function tellApart(
  place: Place,
  instruments: readonly Instrument[],
  circuits: readonly Indications[],
): { readonly separates: number; readonly apart: number } | null {
  const toldOn = (reading: CircuitReading): number[] => circuits.map((at) => at(reading));
  const sharpest = sharpestRange(instruments, place, toldOn);
  if (!sharpest) return null;
  const { instrument, range, u } = sharpest;
  const [first, ...others] = toldOn(readingOn(instrument, range, place)).sort((a, b) => a - b) as [number, ...number[]];
  let separates = 1;
  let apart = Infinity;
  let last = first;
  for (const value of others) {
    const distance = (value - last) / (2 * u);
    if (distance < 2) continue;
    separates += 1;
    apart = Math.min(apart, distance);
    last = value;
  }
  return { separates, apart };
}
