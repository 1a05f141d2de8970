import { rangesOf, type Instrument } from '../instrument/index.ts';
import { solveUnloaded } from '../loading/index.ts';
import { nodesOf } from '../network/index.ts';
import { standardUncertainty, type Reading } from '../readings/index.ts';
import { withFault, type Bench, type Hypothesis } from '../faults/index.ts';
import { elsewhereIn, type Elsewhere } from './elsewhere.ts';

/** A reading that would tell hypotheses apart. */
export type NextReading =
  | { readonly quantity: 'dc-voltage'; readonly red: string; readonly black: string; readonly separates: number }
  | {
      readonly quantity: 'dc-current';
      readonly node: string;
      readonly ends: readonly string[];
      readonly separates: number;
    };

/**
 * The reading that would tell the leading hypotheses apart best: that makes the most of them differ by 2U or more, and them the
 * farthest. A voltage is cheaper than a current, which is asked for only where no voltage tells any apart.
 *
 * @param leaders  the best hypothesis of each leading group
 * @returns null where no reading would
 */
export function nextReading(bench: Bench, leaders: readonly Hypothesis[]): NextReading | null {
  if (leaders.length < 2) return null;
  const benches = leaders.map((leader) => withFault(bench, leader));
  const circuits = benches.flatMap(({ network, instruments }): Elsewhere[] => {
    const solved = solveUnloaded(network);
    return solved.ok ? [elsewhereIn(solved.value, instruments)] : [];
  });
  if (circuits.length < leaders.length) return null;
  const nodes = nodesOf(bench.network);
  const voltages = nodes.flatMap((red, at) =>
    nodes.slice(at + 1).map((black) => ({ quantity: 'dc-voltage', red, black }) as const),
  );
  const currents = bench.network.elements.map(
    ({ id, from }) => ({ quantity: 'dc-current', node: from, ends: [`${id}.from`] }) as const,
  );
  return best(voltages, bench.instruments, circuits) ?? best(currents, bench.instruments, circuits);
}

type Place =
  | { readonly quantity: 'dc-voltage'; readonly red: string; readonly black: string }
  | { readonly quantity: 'dc-current'; readonly node: string; readonly ends: readonly string[] };

function best(
  places: readonly Place[],
  instruments: readonly Instrument[],
  circuits: readonly Elsewhere[],
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

/** How many hypotheses a place tells from one another, and how far the nearest two of these are apart in 2U. */
function tellApart(
  place: Place,
  instruments: readonly Instrument[],
  circuits: readonly Elsewhere[],
): { readonly separates: number; readonly apart: number } | null {
  const instrument = instruments.find((one) => rangesOf(one, place.quantity).length > 0);
  if (!instrument) return null;
  const on = (range: string) =>
    ({ id: 'next', instrument: instrument.id, range, observations: [], ...place }) as Exclude<
      Reading,
      { readonly quantity: 'resistance' }
    >;
  const rising = [...rangesOf(instrument, place.quantity)].sort((a, b) => a.fullScale - b.fullScale);
  for (const { id, fullScale } of rising) {
    const reading = on(id);
    const told = circuits.map((at) => at(reading)).sort((a, b) => a.value - b.value);
    if (told.some(({ value }) => Math.abs(value) > fullScale)) continue;
    const u = Math.max(
      ...told.map(({ value, tolerance }) => Math.hypot(standardUncertainty(reading, instrument, value, 0), tolerance)),
      1e-300,
    );
    let separates = 1;
    let apart = Infinity;
    let last = told[0]!.value;
    for (const { value } of told.slice(1)) {
      const distance = (value - last) / (2 * u);
      if (distance < 2) continue;
      separates += 1;
      apart = Math.min(apart, distance);
      last = value;
    }
    return { separates, apart };
  }
  return null;
}
