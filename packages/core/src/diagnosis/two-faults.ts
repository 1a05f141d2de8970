import { possibleFaults, withFault, type Bench, type Hypothesis } from '../faults/index.ts';
import { solveUnloaded } from '../loading/index.ts';
import { ok, type Result } from '../result.ts';
import type { SolverFault } from '../solver/index.ts';
import type { DiagnosedJob } from './diagnose.ts';
import { elsewhereIn } from './elsewhere.ts';
import { observedReadings, type Observed } from './observed.ts';
import { largestMisfit, misfitOf, predictionsOf, type Prediction } from './prediction.ts';
import { readingFaults, type ReadingFaultShown } from './reading-faults.ts';
import { faultsOfCircuit, singleFaults, soundPrediction } from './single-faults.ts';

/** Two faults that explain the readings together. */
export interface TwoFaults {
  readonly faults: readonly [Hypothesis, Hypothesis];
  readonly misfit: number;
  readonly predictions: Readonly<Record<string, number>>;
}

/** How far a search has come. */
export interface TwoFaultsProgress {
  readonly done: number;
  readonly of: number;
  readonly found: number;
}

/** As many as are worth reading. */
const most = 40;

/**
 * Two faults at once, for readings that no single one explains: a fault of one reading with one of the circuit first, then
 * faults of two readings, then two of the circuit, the first of them one without a fitted value.
 *
 * @param onProgress  told before each part of the search
 * @returns the best first, each predicting V or A by the reading's id; a solver's fault where the sound circuit has no answer
 */
export function twoFaults(
  job: DiagnosedJob,
  onProgress: (progress: TwoFaultsProgress) => void = () => undefined,
): Result<readonly TwoFaults[], SolverFault> {
  const { network, instruments = [], conventions = {}, readings = [] } = job;
  const bench: Bench = { network, instruments };
  const unloaded = solveUnloaded(network);
  if (!unloaded.ok) return unloaded;
  const observe = (of: typeof unloaded.value, on: Bench): Observed[] =>
    observedReadings(of, on.instruments, conventions, readings);
  const observed = observe(unloaded.value, bench);
  const firsts = possibleFaults(network).filter(isWithoutFit);
  const found = new Map<string, TwoFaults>();
  const keep = (faults: readonly [Hypothesis, Hypothesis], prediction: Prediction): void => {
    const misfit = misfitOf(prediction, observed);
    const key = faults
      .map((one) => JSON.stringify(one))
      .sort()
      .join();
    if (misfit > largestMisfit || (found.get(key)?.misfit ?? Infinity) <= misfit) return;
    found.set(key, { faults, misfit, predictions: predictionsOf(prediction, observed) });
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
          ? observe(solved.value, changed).find(({ reading }) => reading.id === one.reading.id)
          : null;
        if (!solved.ok || !again) continue;
        const at = elsewhereIn(solved.value, changed.instruments);
        for (const shown of readingFaults(solved.value, at, again))
          keep([shown.hypothesis, prediction.hypothesis], withReading(prediction, k, shown));
      }
    });
  });
  step(() => {
    const sound = soundPrediction(observed);
    const at = elsewhereIn(unloaded.value, instruments);
    const shown = observed.map((one) => readingFaults(unloaded.value, at, one).filter((fault) => isNear(fault, one)));
    shown.forEach((faults, k) => {
      for (let other = k + 1; other < shown.length; other += 1)
        for (const first of faults)
          for (const second of shown[other]!)
            keep([first.hypothesis, second.hypothesis], replaced(replaced(sound, k, first), other, second));
    });
  });
  for (const first of firsts)
    step(() => {
      const changed = withFault(bench, first);
      const solved = solveUnloaded(changed.network);
      if (!solved.ok) return;
      const again = observe(solved.value, changed);
      if (again.length < observed.length) return;
      for (const { prediction } of singleFaults(changed, solved.value, again, soundPrediction(again)))
        keep([first, prediction.hypothesis], prediction);
    });
  onProgress({ done, of, found: found.size });
  return ok([...found.values()].sort((a, b) => a.misfit - b.misfit).slice(0, most));
}

const fitted: ReadonlySet<string> = new Set(['contact', 'out-of-tolerance', 'supply-value', 'supply-limited']);

const isWithoutFit = ({ fault }: Hypothesis): boolean => !fitted.has(fault);

/** Whether what a fault would show is near what was read. */
const isNear = ({ value, tolerance, u }: ReadingFaultShown, observed: Observed): boolean =>
  Math.abs(observed.value - value) <= 3 * Math.hypot(u, tolerance);

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
