import {
  checkFor,
  possibleFaults,
  withFault,
  type Bench,
  type CircuitHypothesis,
  type Hypothesis,
} from '../faults/index.ts';
import { solveUnloaded, type Unloaded } from '../loading/index.ts';
import { ok, type Result } from '../result.ts';
import type { SolverFault } from '../solver/index.ts';
import { diagnosedKindOf, readingFaults } from './by-kind.ts';
import { differenceFrom } from './predictions/comparing.ts';
import { diagnose, type Diagnosis, type Predictions } from './diagnose.ts';
import type { DiagnosedJob } from './diagnosed-job.ts';
import { elsewhereIn } from './causes/elsewhere.ts';
import { groupsOf } from './groups.ts';
import { observedReadings, type Observed } from './predictions/observed.ts';
import { largestMisfit, misfitOf, predictionsBy, rankOf, type Prediction } from './predictions/prediction.ts';
import type { ReadingFaultShown } from './causes/reading-faults.ts';
import { faultFreePrediction, faultsOfCircuit, singleFaults, type Scored } from './single-faults.ts';

/** Two faults that explain the readings together. */
interface TwoFaults {
  readonly faults: readonly [Hypothesis, Hypothesis];
  readonly predictions: Predictions;
  readonly check: string;
}

/** Pairs of faults that the available readings cannot distinguish. */
export interface TwoFaultsGroup {
  readonly misfit: number;
  readonly hypotheses: readonly TwoFaults[];
}

/** A diagnosis whose hypotheses are single faults, or pairs of them if no single fault explains the readings. */
export type PairDiagnosis = Omit<Diagnosis, 'groups'> & {
  readonly groups: Diagnosis['groups'] | readonly TwoFaultsGroup[];
};

/** Progress of a search. */
export interface TwoFaultsProgress {
  readonly done: number;
  readonly of: number;
  readonly found: number;
}

/** Number of pairs that are kept: as many as are worth reading. */
const most = 40;

/** Diagnoses a job; searches for pairs of faults if no single fault explains its readings. */
export function diagnosePairs(job: DiagnosedJob): Result<PairDiagnosis, SolverFault> {
  const single = diagnose(job);
  if (!single.ok || single.value.consistent || single.value.groups.length > 0) return single;
  const pairs = twoFaults(job);
  return pairs.ok ? ok({ ...single.value, groups: pairs.value }) : pairs;
}

/**
 * Searches for two faults that explain the readings together: a fault of one reading with one of the circuit first, then
 * faults of two readings, then two of the circuit, the first of them one without a fitted value.
 *
 * @param onProgress  called before each part of the search
 * @returns the groups, best first; a solver's fault if the fault-free circuit cannot be solved
 */
export function twoFaults(
  job: DiagnosedJob,
  onProgress: (progress: TwoFaultsProgress) => void = () => undefined,
): Result<readonly TwoFaultsGroup[], SolverFault> {
  const { network, instruments = [], conventions = {}, readings = [] } = job;
  const bench: Bench = { network, instruments };
  const unloaded = solveUnloaded(network);
  if (!unloaded.ok) return unloaded;
  const observe = (of: Unloaded, on: Bench, fault?: CircuitHypothesis): Observed[] =>
    observedReadings(
      {
        unloaded: of,
        instruments: on.instruments,
        conventions,
        ...(fault && { present: { fault, network } }),
      },
      readings,
    );
  const observed = observe(unloaded.value, bench);
  const faultFree = faultFreePrediction(observed);
  const firsts = possibleFaults(network).filter(isWithoutFit);
  const found = new Map<string, Scored & { readonly faults: readonly [Hypothesis, Hypothesis] }>();
  const keep = (faults: readonly [Hypothesis, Hypothesis], prediction: Prediction): void => {
    const misfit = misfitOf(prediction, observed);
    if (misfit > largestMisfit) return;
    const rank = rankOf(prediction, faultFree, observed);
    const key = faults
      .map((one) => JSON.stringify(one))
      .sort()
      .join();
    if ((found.get(key)?.rank ?? Infinity) > rank) found.set(key, { faults, prediction, misfit, rank });
  };
  const of = observed.length + 1 + firsts.length;
  let done = 0;
  const step = (work: () => void): void => {
    onProgress({ done, of, found: found.size });
    work();
    done += 1;
  };

  observed.forEach((one, k) => {
    step(() => {
      const others = observed.filter((other) => other !== one);
      for (const prediction of faultsOfCircuit(bench, unloaded.value, others)) {
        if (misfitOf(prediction, others) > largestMisfit) continue;
        const changed = withFault(bench, prediction.hypothesis);
        const solved = solveUnloaded(changed.network);
        const again = solved.ok
          ? observe(solved.value, changed, prediction.hypothesis).find(({ reading }) => reading.id === one.reading.id)
          : null;
        if (!solved.ok || !again) continue;
        const at = elsewhereIn(solved.value, changed.instruments);
        for (const shown of readingFaults(solved.value, at, again))
          keep([shown.hypothesis, prediction.hypothesis], withReading(prediction, k, shown));
      }
    });
  });
  step(() => {
    const at = elsewhereIn(unloaded.value, instruments);
    const shown = observed.map((one) => readingFaults(unloaded.value, at, one).filter((fault) => isNear(fault, one)));
    shown.forEach((faults, k) => {
      for (let other = k + 1; other < shown.length; other += 1)
        for (const first of faults)
          for (const second of shown[other]!)
            keep([first.hypothesis, second.hypothesis], replaced(replaced(faultFree, k, first), other, second));
    });
  });
  for (const first of firsts)
    step(() => {
      const changed = withFault(bench, first);
      const solved = solveUnloaded(changed.network);
      if (!solved.ok) return;
      const again = observe(solved.value, changed, first);
      if (again.length < observed.length) return;
      for (const { prediction } of singleFaults(changed, solved.value, again, faultFreePrediction(again)))
        keep([first, prediction.hypothesis], prediction);
    });
  onProgress({ done, of, found: found.size });
  const predictionsOf = predictionsBy(observed);
  const best = [...found.values()].sort((a, b) => a.rank - b.rank).slice(0, most);
  return ok(
    groupsOf(best, observed).map(({ misfit, members }) => ({
      misfit,
      hypotheses: members.map(({ faults, prediction }) => ({
        faults,
        predictions: predictionsOf(prediction),
        check: faults.map((one) => checkFor(one, network)).join(' '),
      })),
    })),
  );
}

const isWithoutFit = (fault: CircuitHypothesis): boolean => diagnosedKindOf(fault).search === null;

/** Returns whether a fault predicts nearly the number that was recorded. */
const isNear = ({ value, tolerance, u }: ReadingFaultShown, observed: Observed): boolean =>
  Math.abs(differenceFrom(observed, value)) <= 3 * Math.hypot(u, tolerance);

/** A prediction for all readings but one, that one with a fault of its own. */
function withReading(rest: Prediction, k: number, { value, tolerance, u }: ReadingFaultShown): Prediction {
  const inserted = (values: Float64Array, one: number): Float64Array =>
    Float64Array.of(...values.subarray(0, k), one, ...values.subarray(k));
  return { ...rest, values: inserted(rest.values, value), u: inserted(rest.u, Math.hypot(u, tolerance)) };
}

const replaced = (of: Prediction, k: number, { value, tolerance, u }: ReadingFaultShown): Prediction => ({
  ...of,
  values: of.values.with(k, value),
  u: of.u.with(k, Math.hypot(u, tolerance)),
});
