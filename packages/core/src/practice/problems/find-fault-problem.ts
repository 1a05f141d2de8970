import { bestExplanations } from '../../diagnosis/index.ts';
import type { CircuitFault, Hypothesis } from '../../faults/index.ts';
import { builtInKit, instrumentForJob } from '../../instrument/index.ts';
import { newJob, type Job } from '../../job/index.ts';
import { nodesOf, referenceOf, type Network } from '../../network/index.ts';
import type { Observation, Reading } from '../../readings/index.ts';
import { draftCircuit, type Drafted } from './circuit-problems.ts';
import type { Draw } from './draw.ts';
import { drawFault } from '../hidden-fault.ts';
import type { Level } from './problem.ts';
import { readOnLowestRange } from '../read-on-lowest-range.ts';
import { simulatedBench, type BenchPlace, type SimulatedBench } from '../simulated-bench.ts';

const handheld = instrumentForJob(builtInKit.find(({ id }) => id === 'digital-2000')!);

/** Mistakes that a problem may put into one of its readings. */
type Misreading = 'prefix' | 'digits-swapped' | 'wrong-place';

/**
 * Faults of a reading and of the circuit that a level may have; a kind that the readings usually single out is repeated, and so
 * is drawn more often.
 */
const kinds: Readonly<Record<Level, readonly (Misreading | CircuitFault)[]>> = {
  1: ['prefix', 'prefix', 'prefix', 'swapped', 'swapped', 'swapped', 'short'],
  2: ['prefix', 'prefix', 'digits-swapped', 'digits-swapped', 'swapped', 'swapped', 'short', 'supply-value'],
  3: ['digits-swapped', 'digits-swapped', 'wrong-place', 'wrong-place', 'swapped', 'swapped', 'open', 'supply-value'],
};

/** A bench with one hidden fault, read at every part: what is wrong? Only if the readings leave one answer. */
export function findFaultProblem(draw: Draw, level: Level): Drafted | null {
  const { place, network, text } = draftCircuit(draw, level);
  const kind = draw.pick(kinds[level]);
  const inCircuit = drawFault(draw, network, ({ fault }) => fault === kind);
  const bench = simulatedBench(network, [handheld], { seed: draw.whole(1, 1_000_000), fault: inCircuit });
  const spots = spotsOf(network);
  const readings = spots.flatMap((spot, k): Reading[] => {
    const found = readOnLowestRange(bench, spot);
    return found ? [{ ...found.place, id: `M${k + 1}`, observations: [found.observation] }] : [];
  });
  const slipped = inCircuit ? { readings, fault: inCircuit } : misread(draw, bench, readings, kind);
  if (!slipped) return null;
  const job: Job = { ...newJob(place.name), version: 2, network, instruments: [handheld], readings: slipped.readings };
  if (!leavesOnly(job, slipped.fault)) return null;
  return {
    text: `${text} It was read part by part, and one thing went wrong, on the bench or in writing down. Which fault explains the readings?`,
    job,
    asks: [{ id: 'a', text: 'Name the fault and where it is.', of: { what: 'fault' } }],
  };
}

/** The supply, the voltage of every part, and the current of the first. */
function spotsOf(network: Network): BenchPlace[] {
  const meter = { instrument: handheld.id, range: '' };
  const resistors = network.elements.filter(({ kind }) => kind === 'resistor');
  const spots: BenchPlace[] = [
    { ...meter, quantity: 'dc-voltage', red: 'A', black: referenceOf(network)! },
    ...resistors.map(({ from, to }): BenchPlace => ({ ...meter, quantity: 'dc-voltage', red: from, black: to })),
    ...resistors.slice(0, 1).map(({ id, from }): BenchPlace => ({
      ...meter,
      quantity: 'dc-current',
      node: from,
      ends: [`${id}.from`],
    })),
  ];
  const keys = spots.map((spot) => JSON.stringify(spot));
  return spots.filter((_, k) => keys.indexOf(keys[k]!) === k);
}

/** A reading as it was taken or written down wrongly, with the mistake; null if the reading does not allow it. */
type Misread = (
  draw: Draw,
  bench: SimulatedBench,
  reading: Reading,
  display: Observation,
) => { readonly observation: Observation; readonly fault: Hypothesis } | null;

const misreadings: Readonly<Record<Misreading, Misread>> = {
  prefix: (_draw, _bench, { id }, { shown, unit }) => {
    const base = unit.slice(-1);
    const [wrongUnit, value] = unit.startsWith('m') ? [base, 1e3] : [`m${base}`, 1e-3];
    return { observation: { shown, unit: wrongUnit }, fault: { fault: 'prefix', where: [id], value } };
  },
  'digits-swapped': (_draw, _bench, { id }, { shown, unit }) => {
    const at = [...shown].findIndex((one, k) => {
      const other = shown[k + 1];
      return other !== undefined && /\d/.test(one) && /\d/.test(other) && one !== other;
    });
    if (at === -1) return null;
    const wrong = `${shown.slice(0, at)}${shown[at + 1]!}${shown[at]!}${shown.slice(at + 2)}`;
    return {
      observation: { shown: wrong, unit },
      fault: { fault: 'digits-swapped', where: [id], value: shown },
    };
  },
  'wrong-place': (draw, bench, reading) => {
    if (reading.quantity !== 'dc-voltage') return null;
    const [red, black] = draw.shuffled(nodesOf(bench.bench.network)) as [string, string];
    const { id, instrument, range, quantity } = reading;
    const observation = bench.read({ instrument, range, quantity, red, black });
    return observation && observation.shown !== 'OL'
      ? { observation, fault: { fault: 'wrong-place', where: [id], value: { red, black } } }
      : null;
  },
};

const isMisreading = (kind: Misreading | CircuitFault): kind is Misreading => Object.hasOwn(misreadings, kind);

/** The readings with one of them taken or written down wrongly. */
function misread(
  draw: Draw,
  bench: SimulatedBench,
  readings: readonly Reading[],
  kind: Misreading | CircuitFault,
): { readonly readings: readonly Reading[]; readonly fault: Hypothesis } | null {
  const reading = draw.pick(readings);
  const [display] = reading.observations;
  if (!display || Number(display.shown) === 0 || !isMisreading(kind)) return null;
  const made = misreadings[kind](draw, bench, reading, display);
  return (
    made && {
      readings: readings.map((one) => (one === reading ? { ...one, observations: [made.observation] } : one)),
      fault: made.fault,
    }
  );
}

/** Returns whether a job's readings leave exactly one explanation in the first group, and that is the fault. */
function leavesOnly(job: Job, fault: Hypothesis): boolean {
  const [only, another] = bestExplanations(job);
  if (!only || another) return false;
  const sameWhere = [...only.where].sort().join() === [...fault.where].sort().join();
  return only.fault === fault.fault && sameWhere;
}
