import type { Instrument } from '../instrument/index.ts';
import { solveUnloaded, type Unloaded } from '../loading/index.ts';
import type { Network } from '../network/index.ts';
import type { Conventions, Reading } from '../readings/index.ts';
import { ok, type Result } from '../result.ts';
import type { SolverFault } from '../solver/index.ts';
import { checkFor } from '../faults/index.ts';
import type { Hypothesis } from '../faults/index.ts';
import { nextReading, type NextReading } from './next-reading.ts';
import { observedReadings, type Observed } from './observed.ts';
import { predictionsOf, type Prediction } from './prediction.ts';
import { isConsistent, singleFaults, soundPrediction, type Scored } from './single-faults.ts';

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
  const unloaded = solveUnloaded(job.network);
  if (!unloaded.ok) return unloaded;
  const { bench, observed, groups } = groupsIn(job, unloaded.value);
  const none: Diagnosis = { format: 'usual-drag/diagnosis', version: 1, consistent: !groups, groups: [], next: null };
  if (!groups) return ok(none);
  return ok({
    ...none,
    groups: groups.map(({ misfit, members }) => ({
      misfit,
      hypotheses: members.map((member) => told(member, observed, job.network)),
    })),
    next: nextReading(
      bench,
      unloaded.value,
      groups.slice(0, 4).map(({ members }) => members[0]!.hypothesis),
    ),
  });
}

/** The hypotheses that explain the readings best and cannot be told apart by them; none where no fault is needed or fits. */
export function bestExplanations(job: DiagnosedJob): readonly Hypothesis[] {
  const unloaded = solveUnloaded(job.network);
  const groups = unloaded.ok ? groupsIn(job, unloaded.value).groups : null;
  return groups?.[0]?.members.map(({ hypothesis }) => hypothesis) ?? [];
}

/** The groups of a job's hypotheses, best first; null where the sound circuit predicts every reading. */
function groupsIn({ network, instruments = [], conventions = {}, readings = [] }: DiagnosedJob, unloaded: Unloaded) {
  const observed = observedReadings(unloaded, instruments, conventions, readings);
  const bench = { network, instruments };
  const sound = soundPrediction(observed);
  const groups = isConsistent(sound, observed) ? null : grouped(singleFaults(bench, unloaded, observed, sound));
  return { bench, observed, groups };
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

function told(prediction: Prediction, observed: readonly Observed[], network: Network): DiagnosedHypothesis {
  const { hypothesis } = prediction;
  return { ...hypothesis, predictions: predictionsOf(prediction, observed), check: checkFor(hypothesis, network) };
}
