import type { Instrument } from '../instrument/index.ts';
import { isLinear, solveUnloaded } from '../loading/index.ts';
import type { Network } from '../network/index.ts';
import type { Conventions, Reading } from '../readings/index.ts';
import { ok, type Result } from '../result.ts';
import type { SolverFault } from '../solver/index.ts';
import { checkFor } from '../faults/index.ts';
import { circuitFaults } from './circuit-faults.ts';
import { elsewhereIn } from './elsewhere.ts';
import { faultsAnew } from './faults-anew.ts';
import type { Hypothesis } from '../faults/index.ts';
import { nextReading, type NextReading } from './next-reading.ts';
import { observedReadings, type Observed } from './observed.ts';
import { largestMisfit, misfitOf, type Prediction } from './prediction.ts';
import { readingFaults } from './reading-faults.ts';

/** A fault with what it predicts for every reading, and how it is checked. */
export interface DiagnosedHypothesis extends Hypothesis {
  readonly predictions: Readonly<Record<string, number>>;
  readonly check: string;
}

/** Hypotheses that the readings at hand cannot tell apart. */
export interface DiagnosisGroup {
  readonly misfit: number;
  readonly hypotheses: readonly DiagnosedHypothesis[];
}

export interface Diagnosis {
  readonly format: 'usual-drag/diagnosis';
  readonly version: 1;
  /** No fault is needed: every reading lies within 2u of what the sound circuit predicts. */
  readonly consistent: boolean;
  /** Best first. */
  readonly groups: readonly DiagnosisGroup[];
  /** The reading that would tell the leading groups apart best; null where none would. */
  readonly next: NextReading | null;
}

/** A job as far as a diagnosis needs it. */
export interface DiagnosedJob {
  readonly network: Network;
  readonly instruments?: readonly Instrument[];
  readonly conventions?: Conventions;
  readonly readings?: readonly Reading[];
}

/**
 * Which single fault explains the readings: every fault of one reading and of the circuit is predicted for all readings and
 * scored by its misfit; those that cannot be told apart are one group.
 */
export function diagnose(job: DiagnosedJob): Result<Diagnosis, SolverFault> {
  const { network, instruments = [], conventions = {}, readings = [] } = job;
  const unloaded = solveUnloaded(network);
  if (!unloaded.ok) return unloaded;
  const observed = observedReadings(unloaded.value, instruments, conventions, readings);
  const sound = soundPrediction(observed);
  const consistent = observed.every(({ value }, k) => Math.abs(value - sound.values[k]!) <= 2 * sound.u[k]!);
  const none: Diagnosis = { format: 'usual-drag/diagnosis', version: 1, consistent, groups: [], next: null };
  if (consistent) return ok(none);
  const misses = observed.map(({ value }, k) => ((value - sound.values[k]!) / sound.u[k]!) ** 2);
  const sum = misses.reduce((total, one) => total + one, 0);
  // A fault of one reading leaves the others as they are: where these alone miss too far, none of its faults can explain all.
  const canBe = (k: number): boolean =>
    Math.sqrt(Math.max(0, sum - misses[k]!) / observed.length) <= largestMisfit * (1 + 1e-9);
  const at = elsewhereIn(unloaded.value, instruments);
  const most = (largestMisfit * (1 + 1e-9)) ** 2 * observed.length;
  const ofReadings = observed.flatMap((one, k) =>
    (canBe(k) ? readingFaults(unloaded.value, at, one) : []).flatMap(
      ({ hypothesis, value, tolerance, u }): Prediction[] => {
        const own = Math.sqrt(u * u + tolerance * tolerance);
        if (sum - misses[k]! + ((one.value - value) / own) ** 2 > most) return [];
        return [{ hypothesis, values: sound.values.with(k, value), u: sound.u.with(k, own), fitted: 0 }];
      },
    ),
  );
  const ofCircuit = isLinear(unloaded.value)
    ? circuitFaults(network, instruments, observed)
    : faultsAnew({ network, instruments }, observed);
  const all = [...ofReadings, ...ofCircuit]
    .filter((one) => !isSound(one, sound))
    .map((prediction) => ({ prediction, misfit: misfitOf(prediction, observed) }))
    .filter(({ misfit }) => misfit <= largestMisfit)
    .sort((a, b) => a.misfit - b.misfit);
  const groups = grouped(all);
  return ok({
    ...none,
    groups: groups.map(({ misfit, members }) => ({
      misfit,
      hypotheses: members.map((member) => told(member, observed)),
    })),
    next: nextReading(
      { network, instruments },
      groups.slice(0, 4).map(({ members }) => members[0]!.hypothesis),
    ),
  });
}

/** What the sound circuit predicts. A meter that hangs in the air counts as 0. */
function soundPrediction(observed: readonly Observed[]): Prediction {
  const tolerance = ({ expectation }: Observed): number =>
    expectation.response === null ? 0 : Math.hypot(...expectation.response.slopes) / Math.sqrt(3);
  return {
    hypothesis: { fault: 'open', where: [], value: null },
    values: Float64Array.from(observed, ({ expectation }) => expectation.expected ?? 0),
    u: Float64Array.from(observed, (one) => Math.hypot(one.u, tolerance(one))),
    fitted: 0,
  };
}

/** Whether no reading can tell a hypothesis from the sound circuit. */
const isSound = ({ values }: Prediction, sound: Prediction): boolean =>
  values.every((value, k) => Math.abs(value - sound.values[k]!) <= 1e-9 * Math.abs(sound.values[k]!) + 1e-15);

interface Scored {
  readonly prediction: Prediction;
  readonly misfit: number;
}

/** The best leads; all within its 2u at every reading join it; then the best of the rest. */
function grouped(scored: readonly Scored[]): { readonly misfit: number; readonly members: readonly Prediction[] }[] {
  let rest = scored;
  const groups: { misfit: number; members: Prediction[] }[] = [];
  while (rest.length > 0) {
    const leader = rest[0]!;
    const joins = ({ prediction }: Scored): boolean =>
      prediction.values.every(
        (value, k) => Math.abs(value - leader.prediction.values[k]!) <= 2 * leader.prediction.u[k]!,
      );
    const members: Prediction[] = [];
    const others: Scored[] = [];
    for (const one of rest) {
      if (joins(one)) members.push(one.prediction);
      else others.push(one);
    }
    groups.push({ misfit: leader.misfit, members: handlingFirst(members) });
    rest = others;
  }
  return groups;
}

const handling: ReadonlySet<string> = new Set([
  'prefix',
  'leads-swapped',
  'one-point',
  'hanging',
  'digits-swapped',
  'wrong-scale',
  'wrong-place',
  'across',
  'blown-fuse',
]);

/** Whether a fault is one of a single reading, by hand or eye; the circuit is sound then. */
export const isOfReading = ({ fault }: Hypothesis): boolean => handling.has(fault);

const handlingFirst = (members: readonly Prediction[]): Prediction[] => [
  ...members.filter(({ hypothesis }) => isOfReading(hypothesis)),
  ...members.filter(({ hypothesis }) => !isOfReading(hypothesis)),
];

function told({ hypothesis, values }: Prediction, observed: readonly Observed[]): DiagnosedHypothesis {
  const predictions: Record<string, number> = {};
  for (let k = 0; k < observed.length; k += 1) predictions[observed[k]!.reading.id] = values[k]!;
  return { ...hypothesis, predictions, check: checkFor(hypothesis) };
}
