import { solveUnloaded, type Unloaded } from '../loading/index.ts';
import { ok, type Result } from '../result.ts';
import type { SolverFault } from '../solver/index.ts';
import { checkFor, isOfReading, type Hypothesis } from '../faults/index.ts';
import type { DiagnosedJob } from './diagnosed-job.ts';
import { nextReading, type NextReading } from './next-reading.ts';
import { observedReadings } from './predictions/observed.ts';
import { groupsOf, type Group } from './groups.ts';
import { predictionsBy } from './predictions/prediction.ts';
import { faultFreePrediction, isConsistent, singleFaults, type Scored } from './single-faults.ts';

/** Predicted value of each reading by its id, V, A or Ω; null for a resistance beyond every range. */
export type Predictions = Readonly<Record<string, number | null>>;

/** A fault with what it predicts for every reading, and how it is checked. */
export type DiagnosedHypothesis = Hypothesis & {
  readonly predictions: Predictions;
  readonly check: string;
};

/** Hypotheses that the available readings cannot distinguish. */
interface DiagnosisGroup {
  readonly misfit: number;
  readonly hypotheses: readonly DiagnosedHypothesis[];
}

/** Explanations of the readings of a job, best first. */
export interface Diagnosis {
  readonly format: 'usual-drag/diagnosis';
  readonly version: 1;
  /** No fault is needed: every reading is within 2u of the prediction of the fault-free circuit. */
  readonly consistent: boolean;
  /** Best first. */
  readonly groups: readonly DiagnosisGroup[];
  /** The reading that would best distinguish the leading groups; null if none would. */
  readonly next: NextReading | null;
}

/** Number of groups that the next reading is to distinguish. */
export const leadingGroups = 4;

/**
 * Finds the single faults that explain the readings: every fault of one reading and of the circuit is predicted for all
 * readings and scored by its misfit; those that the readings cannot distinguish are one group.
 */
export function diagnose(job: DiagnosedJob): Result<Diagnosis, SolverFault> {
  const unloaded = solveUnloaded(job.network);
  if (!unloaded.ok) return unloaded;
  return ok(diagnosisOf(job, unloaded.value, groupsIn(job, unloaded.value)));
}

/** Returns the diagnosis of a job whose hypotheses are grouped. */
export function diagnosisOf(
  job: DiagnosedJob,
  unloaded: Unloaded,
  { observed, groups }: ReturnType<typeof groupsIn>,
): Diagnosis {
  const none: Diagnosis = { format: 'usual-drag/diagnosis', version: 1, consistent: !groups, groups: [], next: null };
  if (!groups) return none;
  const predictionsOf = predictionsBy(observed);
  const leaders = groups.slice(0, leadingGroups).map(({ members }) => members[0]!.hypothesis);
  return {
    ...none,
    groups: groups.map(({ misfit, members }) => ({
      misfit,
      hypotheses: members.map((member) => ({
        ...member.hypothesis,
        predictions: predictionsOf(member),
        check: checkFor(member.hypothesis, job.network),
      })),
    })),
    next: nextReading(job, unloaded, leaders),
  };
}

/** Returns the hypotheses of the first group; none if no fault is needed, or if none explains the readings. */
export function bestExplanations(job: DiagnosedJob): readonly Hypothesis[] {
  const unloaded = solveUnloaded(job.network);
  const groups = unloaded.ok ? groupsIn(job, unloaded.value).groups : null;
  return groups?.[0]?.members.map(({ hypothesis }) => hypothesis) ?? [];
}

/** Returns the groups of a job's hypotheses, best first, or null if the fault-free circuit predicts every reading; and that prediction. */
export function groupsIn(
  { network, instruments = [], conventions = {}, readings = [] }: DiagnosedJob,
  unloaded: Unloaded,
) {
  const observed = observedReadings({ unloaded, instruments, conventions }, readings);
  const faultFree = faultFreePrediction(observed);
  const isNeedless = isConsistent(faultFree, observed);
  const scored = isNeedless ? [] : singleFaults({ network, instruments }, unloaded, observed, faultFree);
  return { observed, faultFree, groups: isNeedless ? null : groupsOf(scored, observed).map(mistakesFirst) };
}

/** Within a group the mistakes in one reading come before the faults of the circuit. */
const mistakesFirst = ({ misfit, members }: Group<Scored>) => {
  const predictions = members.map(({ prediction }) => prediction);
  return {
    misfit,
    members: [
      ...predictions.filter(({ hypothesis }) => isOfReading(hypothesis)),
      ...predictions.filter(({ hypothesis }) => !isOfReading(hypothesis)),
    ],
  };
};
