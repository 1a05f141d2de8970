import { bestExplanations } from '../diagnosis/index.ts';
import type { Hypothesis } from '../faults/index.ts';
import { builtInKit, instrumentForJob } from '../instrument/index.ts';
import { newJob, type Job } from '../job/index.ts';
import { nodesOf, referenceOf, type Network } from '../network/index.ts';
import type { Reading } from '../readings/index.ts';
import { draftCircuit, type Drafted } from './circuit-problems.ts';
import type { Draw } from './draw.ts';
import { drawFault } from './hidden-fault.ts';
import type { Level } from './problem.ts';
import { readOnLowestRange } from './read-on-lowest-range.ts';
import { simulatedBench, type BenchPlace, type SimulatedBench } from './simulated-bench.ts';

const handheld = instrumentForJob(builtInKit.find(({ id }) => id === 'digital-2000')!);

/**
 * Faults of a reading and of the circuit that a level may have. Which of them the readings single out shows when they are taken;
 * those that they mostly do stand more often.
 */
const kinds: Readonly<Record<Level, readonly Hypothesis['fault'][]>> = {
  1: ['prefix', 'prefix', 'prefix', 'swapped', 'swapped', 'swapped', 'short'],
  2: ['prefix', 'prefix', 'digits-swapped', 'digits-swapped', 'swapped', 'swapped', 'short', 'supply-value'],
  3: ['digits-swapped', 'digits-swapped', 'wrong-place', 'wrong-place', 'swapped', 'swapped', 'open', 'supply-value'],
};

/** A bench with one hidden fault, read at every part: what is wrong? Only if the readings leave one answer. */
export function findFaultProblem(draw: Draw, level: Level): Drafted | null {
  const { place, network, text } = draftCircuit(draw, level);
  const kind = draw.pick(kinds[level]);
  const inCircuit = drawFault(draw, network, new Set([kind]));
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

/** The readings with one of them taken or written down wrongly. */
function misread(
  draw: Draw,
  bench: SimulatedBench,
  readings: readonly Reading[],
  fault: Hypothesis['fault'],
): { readonly readings: readonly Reading[]; readonly fault: Hypothesis } | null {
  const reading = draw.pick(readings);
  const { id, observations } = reading;
  const [{ shown, unit }] = observations as [{ shown: string; unit: string }];
  if (Number(shown) === 0) return null;
  const put = (observation: { shown: string; unit: string }, value: Hypothesis['value']) => ({
    readings: readings.map((one) => (one === reading ? { ...one, observations: [observation] } : one)),
    fault: { fault, where: [id], value },
  });
  switch (fault) {
    case 'prefix': {
      const base = unit.slice(-1);
      return unit.startsWith('m') ? put({ shown, unit: base }, 1e3) : put({ shown, unit: `m${base}` }, 1e-3);
    }
    case 'digits-swapped': {
      const places = [...shown].flatMap((one, k) => {
        const other = shown[k + 1];
        return other !== undefined && /\d/.test(one) && /\d/.test(other) && one !== other ? [k] : [];
      });
      if (places.length === 0) return null;
      const at = places[0]!;
      const wrong = `${shown.slice(0, at)}${shown[at + 1]!}${shown[at]!}${shown.slice(at + 2)}`;
      return put({ shown: wrong, unit }, shown);
    }
    case 'wrong-place': {
      if (reading.quantity !== 'dc-voltage') return null;
      const nodes = nodesOf(bench.bench.network);
      const [red, black] = draw.shuffled(nodes);
      const { instrument, range, quantity } = reading;
      const observation = bench.read({ instrument, range, quantity, red: red!, black: black! });
      return observation && observation.shown !== 'OL' ? put(observation, { red: red!, black: black! }) : null;
    }
    default:
      return null;
  }
}

/** Whether a job's readings leave exactly one explanation in the first group, and that is the fault. */
function leavesOnly(job: Job, fault: Hypothesis): boolean {
  const [only, another] = bestExplanations(job);
  if (!only || another) return false;
  const sameWhere = [...only.where].sort().join() === [...fault.where].sort().join();
  return only.fault === fault.fault && sameWhere;
}
