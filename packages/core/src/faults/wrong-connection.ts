import { findRange, rangesOf, shownOn, type Instrument, type Range } from '../instrument/index.ts';
import { parseEnd, type Element, type Network } from '../network/index.ts';
import { formatQuantity } from '../quantity/index.ts';
import { ok, type Result } from '../result.ts';
import type { SolverFault } from '../solver/index.ts';
import {
  solveSetup,
  solveUnloaded,
  swapLeads,
  type Caution,
  type Meter,
  type MeterReading,
  type Setup,
  type SetupValues,
  type Unloaded,
  type VoltmeterPlacement,
} from '../loading/index.ts';

/** A way to handle a meter wrongly. */
export type WrongConnection = 'one-point' | 'hanging' | 'across' | 'current-jack' | 'blown-fuse' | 'leads-swapped';

/** What a wrongly handled meter does to the circuit and shows, and the way out. */
export interface WrongConnectionOutcome {
  /** What stands where: the meter as it is really connected; left out where it is in no circuit. */
  readonly setup: Setup;
  /** Every value with the wrong connection in; `true` stays what it is with the meter in its right place. */
  readonly values: SetupValues;
  /** A that ran through the instrument before its fuse blew, or runs; null where none does. */
  readonly surge: number | null;
  readonly caution: Caution;
}

/** The wrong connections that a meter is open to, as listed. */
export function wrongConnectionsOf(meter: Meter, instrument: Instrument): WrongConnection[] {
  if (meter.quantity === 'dc-voltage')
    return ['one-point', 'hanging', 'leads-swapped', ...(currentJack(instrument) ? (['current-jack'] as const) : [])];
  const fused = findRange(instrument, meter.quantity, meter.range)?.fuse !== undefined;
  return ['one-point', 'hanging', 'across', 'leads-swapped', ...(fused ? (['blown-fuse'] as const) : [])];
}

/** The current range whose jack a lead is most often left in: the fused one of the largest full scale, else the largest. */
function currentJack(instrument: Instrument): Range | null {
  const ranges = [...rangesOf(instrument, 'dc-current')].sort((a, b) => b.fullScale - a.fullScale);
  return ranges.find(({ fuse, fullScale }) => fuse !== undefined && fullScale < 5) ?? ranges[0] ?? null;
}

/** The probe that a wrong connection puts into the circuit beside its parts. No part can have its name. */
const probeId = ' fault';

/**
 * Solves a set-up with one of its meters handled wrongly.
 *
 * @param right  the same set-up handled rightly
 */
export function solveWrongConnection(
  unloaded: Unloaded,
  instruments: readonly Instrument[],
  setup: Setup,
  right: SetupValues,
  meterId: string,
  fault: WrongConnection,
): Result<WrongConnectionOutcome, SolverFault> {
  const meter = setup.meters.find(({ id }) => id === meterId)!;
  const instrument = instruments.find(({ id }) => id === meter.instrument)!;
  const range = findRange(instrument, meter.quantity, meter.range)!;
  const wrong = wrongly(unloaded.network, meter, instrument, range, fault);
  const connected = (own: Meter | null): Setup => ({
    ...setup,
    meters: setup.meters.flatMap((other) => (other.id !== meterId ? [other] : own ? [own] : [])),
  });
  const solve = (network: Network, own: Meter | null) => {
    const bare = network === unloaded.network ? ok(unloaded) : solveUnloaded(network);
    return bare.ok ? solveSetup(bare.value, instruments, connected(own)) : bare;
  };

  const first = solve(wrong.network, wrong.solvedAs);
  if (!first.ok) return first;
  const surge = wrong.probe ? (first.value.elements[probeId]?.current ?? null) : null;
  const blows = wrong.probe?.fuse !== undefined && Math.abs(surge ?? 0) > wrong.probe.fuse;
  const solved = blows ? solve(unloaded.network, null) : first;
  if (!solved.ok) return solved;

  const indicated =
    fault === 'across' && !blows
      ? surge
      : wrong.solvedAs
        ? (solved.value.meters[meterId]?.indicated ?? null)
        : fault === 'hanging' && meter.quantity === 'dc-voltage'
          ? null
          : 0;
  const base = right.meters[meterId]!;
  const state = blows || fault === 'blown-fuse' ? 'fuse-blown' : stateFor(instrument, range, indicated);
  const meters: Record<string, MeterReading> = {};
  for (const other of setup.meters) {
    const truth = right.meters[other.id]!.true;
    if (other.id !== meterId) meters[other.id] = against(solved.value.meters[other.id]!, truth);
    else
      meters[meterId] = against(
        { ...base, indicated, state, ...shownOn(instrument, meter.quantity, range, indicated) },
        truth,
      );
  }
  return ok({
    setup: connected(wrong.drawnAs),
    values: { ...solved.value, meters },
    surge,
    caution: { about: meterId, ...wordsFor(fault, { meter, instrument, range, surge, blows, probe: wrong.probe }) },
  });
}

const against = (reading: MeterReading, truth: number | null): MeterReading => {
  const error = reading.indicated === null || truth === null ? null : reading.indicated - truth;
  return { ...reading, true: truth, error, relativeError: error === null || !truth ? null : error / truth };
};

function stateFor(instrument: Instrument, range: Range, indicated: number | null): MeterReading['state'] {
  if (indicated === null) return 'floating';
  if (instrument.display === 'analogue' && indicated < 0) return 'reversed';
  return Math.abs(indicated) > range.fullScale ? 'over-range' : 'ok';
}

interface Probe {
  /** Ω. */
  readonly resistance: number;
  readonly from: string;
  readonly to: string;
  /** A. */
  readonly fuse: number | undefined;
}

interface Wrong {
  readonly network: Network;
  /** The meter as it is solved with; null where the network stands for it, or it is in no circuit. */
  readonly solvedAs: Meter | null;
  readonly drawnAs: Meter | null;
  readonly probe: Probe | null;
}

function wrongly(network: Network, meter: Meter, instrument: Instrument, range: Range, fault: WrongConnection): Wrong {
  const plain = { network, probe: null };
  if (fault === 'leads-swapped') return { ...plain, solvedAs: swapLeads(meter), drawnAs: swapLeads(meter) };
  if (meter.quantity === 'dc-voltage') {
    if (fault === 'current-jack') {
      const jack = currentJack(instrument)!;
      const probe = { resistance: jack.resistance, from: meter.red, to: meter.black, fuse: jack.fuse };
      return { network: withProbe(network, probe), solvedAs: null, drawnAs: meter, probe };
    }
    const onOne: VoltmeterPlacement = { ...meter, black: meter.red };
    return fault === 'one-point'
      ? { ...plain, solvedAs: onOne, drawnAs: onOne }
      : { ...plain, solvedAs: null, drawnAs: null };
  }
  if (fault === 'across') {
    const part = acrossPart(network, meter.ends);
    const probe = { resistance: range.resistance, ...part, fuse: range.fuse };
    const { ends: _ends, node: _node, reversed: _reversed, ...rest } = meter;
    const drawnAs: Meter = { ...rest, quantity: 'dc-voltage', red: part.from, black: part.to };
    return { network: withProbe(network, probe), solvedAs: null, drawnAs, probe };
  }
  if (fault === 'one-point') return { ...plain, solvedAs: null, drawnAs: null };
  return { network: leftOpen(network, meter.ends, meter.id), solvedAs: null, drawnAs: meter, probe: null };
}

/** The two nodes of the part that the ammeter was meant to be in series with, the break's first. */
function acrossPart(network: Network, ends: readonly string[]): { readonly from: string; readonly to: string } {
  const end = parseEnd(ends[0]!)!;
  const part = network.elements.find(({ id }) => id === end.element)!;
  return end.end === 'from' ? { from: part.from, to: part.to } : { from: part.to, to: part.from };
}

function withProbe(network: Network, { resistance, from, to }: Probe): Network {
  const probe: Element =
    resistance > 0 ? { id: probeId, kind: 'resistor', from, to, resistance } : { id: probeId, kind: 'link', from, to };
  return { ...network, elements: [...network.elements, probe] };
}

/** The lifted ends left in the air. */
const leftOpen = (network: Network, ends: readonly string[], meter: string): Network => ({
  ...network,
  elements: network.elements.map((element) => {
    const lifted = (['from', 'to'] as const).filter((side) => ends.includes(`${element.id}.${side}`));
    return lifted.reduce((open, side) => ({ ...open, [side]: ` ${meter}` }), element);
  }),
});

interface Told {
  readonly meter: Meter;
  readonly instrument: Instrument;
  readonly range: Range;
  readonly surge: number | null;
  readonly blows: boolean;
  readonly probe: Probe | null;
}

function wordsFor(fault: WrongConnection, told: Told): Omit<Caution, 'about'> {
  const { meter, instrument } = told;
  const { id } = meter;
  const across = meter.quantity === 'dc-voltage';
  const part = across ? '' : parseEnd(meter.ends[0]!)!.element;
  switch (fault) {
    case 'one-point':
      return {
        kind: 'limit',
        message: across
          ? `${id}: both leads are on ${meter.red}, one point: it indicates 0 whatever the circuit does. Put the black lead on the other end of what is to be read.`
          : `${id}: both leads are on ${meter.node} and the circuit is whole: nothing is driven through the meter, it indicates 0. Switch off, lift ${part} off, and put the meter into the gap.`,
      };
    case 'hanging':
      return {
        kind: 'hazard',
        message: across
          ? `${id}: the black lead hangs in the air: the display wanders or stays at 0. That is no proof that the circuit is dead. Put the lead on, and prove the meter on a known source before and after.`
          : `${id}: the black lead hangs in the air: the circuit stays open at ${part}, the meter indicates 0, and the full voltage can be across the gap. De-energise before you put the lead on.`,
      };
    case 'blown-fuse':
      return {
        kind: 'limit',
        message: `${id}: its fuse had blown before: it indicates 0, and the circuit stays open at ${part} for every other meter. Switch off, disconnect, test the fuse out of circuit, and replace it by its own type and rating only.`,
      };
    case 'leads-swapped':
      return instrument.display === 'analogue'
        ? {
            kind: 'hazard',
            message: `${id}: with its leads swapped the needle is driven against its stop and can bend. Lift a lead off at once, then swap the two.`,
          }
        : {
            kind: 'limit',
            message: `${id}: with its leads swapped the display has the other sign. Write the sign down as displayed, or swap the leads: red to the higher point, or to where the current comes from.`,
          };
    case 'across':
      return {
        kind: 'hazard',
        message: `${id} is across ${part} instead of in series: a near short of ${ohms(told.probe!.resistance)}. ${rush(told)} Switch off, remove the leads, open the circuit at ${part} and put the meter into the gap. An ammeter never goes across a supply, a battery or a live conductor.`,
      };
    case 'current-jack':
      return {
        kind: 'hazard',
        message: `${id} is set to volts with its red lead still in the current jack: ${ohms(told.probe!.resistance)} across the two points, and the display says 0. ${rush(told)} Switch off, move the red lead to the V jack, and test the fuse before the meter is trusted with a current again.`,
      };
  }
}

const ohms = (value: number): string => formatQuantity(value, 'Ω', { digits: 3, trim: true });

function rush({ surge, blows, probe }: Told): string {
  const amps = (value: number): string => formatQuantity(value, 'A', { digits: 3, trim: true });
  if (surge === null) return 'Nothing but wire limits the current.';
  const flows = `${amps(Math.abs(surge))} ${blows ? 'rush' : 'run'} through it`;
  if (blows) return `${flows}, its fuse of ${amps(probe!.fuse!)} blows, and from then on it indicates 0.`;
  return probe!.fuse === undefined
    ? `${flows}, and this jack has no fuse.`
    : `${flows}: its fuse of ${amps(probe!.fuse)} holds, and nothing warns you.`;
}
