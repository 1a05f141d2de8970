import { placeParts, type Board } from '../board/index.ts';
import { withFault, type CircuitHypothesis, type Hypothesis } from '../faults/index.ts';
import { builtInKit, instrumentForJob, type ReadingQuantity } from '../instrument/index.ts';
import { atItsVersion, newJob, type Job } from '../job/index.ts';
import { nodesOf, type Network } from '../network/index.ts';
import { solveUnloaded } from '../loading/index.ts';
import { draftCircuit } from './problems/circuit-problems.ts';
import { Draw } from './problems/draw.ts';
import { boardWithFault, isBoardFault } from './board-fault.ts';
import { isHiddenAt } from './by-kind.ts';
import { drawFault } from './hidden-fault.ts';
import { nameableCircuitFaults, type NameableFault } from './nameable-faults.ts';
import type { Level } from './problems/problem.ts';
import { simulatedBench, type SimulatedBench } from './simulated-bench.ts';

/** Gain below which a place tells nothing. */
const noGain = 1e-9;

/** Cost of a reading in a hunt: a current requires a break; a resistance requires the supply off and the part out. */
export const readingCosts: Readonly<Record<ReadingQuantity, number>> = {
  'dc-voltage': 1,
  'dc-current': 3,
  resistance: 5,
};

/** A bench with one hidden fault, to be found with as little reading as possible. */
export interface FaultHunt {
  readonly level: Level;
  readonly seed: number;
  readonly text: string;
  /** Fault-free circuit, and its meter. */
  readonly job: Job;
  readonly bench: SimulatedBench;
  readonly fault: CircuitHypothesis;
  /** Its board as it is built, with the mistake on it; null if the bench is not on a strip board. */
  readonly board: Board | null;
  /** Every fault that it could be. */
  readonly candidates: readonly NameableFault<CircuitHypothesis>[];
}

/** Rows of the board of a hunt; a larger circuit has a larger one. */
const huntRows = 30;

/**
 * A hunt: the same one from the same level and seed.
 *
 * @param onBoard  the fault is a mistake on a strip board, and no part is taken out to be measured
 */
export function makeHunt(level: Level, seed: number, onBoard = false): FaultHunt {
  const draw = new Draw(onBoard ? 'board hunt' : 'hunt', level, seed);
  const isHidden = (one: CircuitHypothesis): boolean => isHiddenAt(level, one) && (!onBoard || isBoardFault(one));
  for (;;) {
    const { place, network, text } = draftCircuit(draw, level);
    const fault = drawFault(draw, network, isHidden);
    if (!fault) continue;
    const right = onBoard ? placeParts(network, huntRows) : null;
    const board = right && boardWithFault(right, fault);
    if (onBoard && !board) continue;
    const instruments = builtInKit.filter(({ id }) => id === 'digital-2000').map(instrumentForJob);
    return {
      level,
      seed,
      text,
      job: atItsVersion({ ...newJob(place.name), network, instruments }),
      bench: simulatedBench(network, instruments, { seed: draw.whole(1, 1_000_000), fault }),
      fault,
      board,
      candidates: nameableCircuitFaults(network).filter(({ hypothesis }) => isHidden(hypothesis)),
    };
  }
}

const keyOf = ({ fault, where, value }: Hypothesis): string => `${fault} ${[...where].sort().join()} ${String(value)}`;

/** Returns whether a named fault is the hidden one. */
export const isTheFault = (named: Hypothesis, { fault }: FaultHunt): boolean => keyOf(named) === keyOf(fault);

/** Place of a reading in a hunt. */
export type HuntPlace =
  | { readonly quantity: 'dc-voltage'; readonly red: string; readonly black: string }
  | { readonly quantity: 'dc-current' | 'resistance'; readonly element: string };

/** A reading of the best line. */
export interface LineStep {
  readonly place: HuntPlace;
  /** V, A or Ω; infinite if a part is open. */
  readonly value: number;
  /** Number of faults that remain possible afterwards. */
  readonly left: number;
}

/**
 * An efficient sequence of readings: at each step the reading that leaves the fewest faults for what it costs, until one is left or none tells
 * more apart.
 */
export function bestLine({ job: { network }, candidates, fault, board }: FaultHunt): readonly LineStep[] {
  const places = placesIn(network, board === null);
  const all = candidates.map(({ hypothesis }) => hypothesis);
  const predicted = new Map(all.map((one) => [one, predictionsWith(network, one, places)]));
  const truth = all.find((one) => keyOf(one) === keyOf(fault));
  if (!truth) return [];
  const steps: LineStep[] = [];
  for (let open: readonly CircuitHypothesis[] = all; open.length > 1;) {
    let best: { readonly at: number; readonly gain: number } | null = null;
    places.forEach((place, at) => {
      const groups = groupsBy(open, (one) => predicted.get(one)![at]!);
      const expected = groups.reduce((sum, { length }) => sum + length * Math.log(length), 0) / open.length;
      const gain = (Math.log(open.length) - expected) / readingCosts[place.quantity];
      if (gain > (best?.gain ?? noGain)) best = { at, gain };
    });
    if (!best) break;
    const { at } = best as { readonly at: number };
    open = groupsBy(open, (one) => predicted.get(one)![at]!).find((group) => group.includes(truth))!;
    steps.push({ place: places[at]!, value: predicted.get(truth)![at]!, left: open.length });
  }
  return steps;
}

/** Cost of a wrong answer: nearly that of a resistance reading, so that guessing does not pay. */
export const wrongAnswerCost = 4;

/**
 * Returns the cost of an efficient sequence of readings: where it leaves several faults, one of them is guessed, and on average
 * half of the others are named first.
 */
export function costOfLine(line: readonly LineStep[], candidates: number): number {
  const left = line.at(-1)?.left ?? candidates;
  return costOf(line.map(({ place }) => place)) + (wrongAnswerCost * (left - 1)) / 2;
}

/** Returns the cost of a sequence of readings. */
export const costOf = (places: readonly { readonly quantity: ReadingQuantity }[]): number =>
  places.reduce((sum, { quantity }) => sum + readingCosts[quantity], 0);

/** @param partsOut  whether parts are taken out to be measured */
function placesIn(network: Network, partsOut: boolean): HuntPlace[] {
  const nodes = nodesOf(network);
  return [
    ...nodes.flatMap((red, k) =>
      nodes.slice(k + 1).map((black): HuntPlace => ({ quantity: 'dc-voltage', red, black })),
    ),
    ...network.elements.map(({ id }): HuntPlace => ({ quantity: 'dc-current', element: id })),
    ...network.elements.flatMap(({ id, kind }): HuntPlace[] =>
      kind === 'resistor' && partsOut ? [{ quantity: 'resistance', element: id }] : [],
    ),
  ];
}

/** Returns the readings of an ideal meter at every place with a fault in the circuit; a lead in no circuit reads 0. */
function predictionsWith(network: Network, fault: CircuitHypothesis, places: readonly HuntPlace[]): number[] {
  const faulty = withFault({ network, instruments: [] }, fault).network;
  const solved = solveUnloaded(faulty);
  const values = solved.ok ? solved.value.values : null;
  return places.map((place) => {
    if (place.quantity === 'resistance') {
      const part = faulty.elements.find(({ id }) => id === place.element)!;
      return part.kind === 'resistor' ? part.resistance : part.kind === 'link' ? 0 : Infinity;
    }
    if (!('red' in place)) return values?.elements[place.element]?.current ?? 0;
    const [above, below] = [values?.nodes[place.red] ?? null, values?.nodes[place.black] ?? null];
    return above === null || below === null ? 0 : above - below;
  });
}

/** Share that two readings must differ by to be distinguished, with the parts' tolerances and the meter's accuracy. */
const apart = 0.06;

/** Candidates by what they would read: a new group where the next reading is plainly another. */
function groupsBy(
  all: readonly CircuitHypothesis[],
  valueOf: (one: CircuitHypothesis) => number,
): CircuitHypothesis[][] {
  const sorted = [...all].sort((a, b) => valueOf(a) - valueOf(b));
  const largest = Math.max(...sorted.map((one) => Math.abs(valueOf(one))).filter(Number.isFinite), 0);
  const groups: CircuitHypothesis[][] = [];
  let before = NaN;
  for (const one of sorted) {
    const value = valueOf(one);
    const room = apart * Math.max(Math.abs(value), Math.abs(before), largest / 50);
    const isNew = !(value === before || value - before <= room);
    if (isNew) groups.push([one]);
    else groups.at(-1)!.push(one);
    before = value;
  }
  return groups;
}
