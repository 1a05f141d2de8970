import type { Diagnosis, Fit, Job, JobFault, Result, TwoFaultsGroup, TwoFaultsProgress } from '@usual-drag/core';
import { proxy, wrap } from 'comlink';
import type { DiagnosisSearch } from './diagnosis.worker.ts';

/** Work that is under way beside the page, and how to stop it. */
export interface Search<T> {
  readonly result: Promise<Result<T, JobFault>>;
  readonly stop: () => void;
}

/** Looks for what explains a job's readings, in a worker of its own. */
export const startDiagnosis = (job: Job): Search<Diagnosis> => inWorker((search) => search.diagnose(job));

/** Fits values that are not known to a job's readings, in a worker of its own. */
export const startFit = (job: Job, names: readonly string[]): Search<Fit> =>
  inWorker((search) => search.fit(job, names));

/** Looks for two faults that explain a job's readings together, in a worker of its own. */
export const startTwoFaults = (
  job: Job,
  onProgress: (progress: TwoFaultsProgress) => void,
): Search<readonly TwoFaultsGroup[]> => inWorker((search) => search.twoFaults(job, proxy(onProgress)));

function inWorker<T>(
  ask: (search: ReturnType<typeof wrap<DiagnosisSearch>>) => Promise<Result<T, JobFault>>,
): Search<T> {
  const worker = new Worker(new URL('./diagnosis.worker.ts', import.meta.url), { type: 'module' });
  const stop = (): void => worker.terminate();
  return { result: ask(wrap<DiagnosisSearch>(worker)).finally(stop), stop };
}
