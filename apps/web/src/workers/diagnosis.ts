import type { Result } from '@usual-drag/core/result';
import type { ExplanationMatrix, Fit, TwoFaultsGroup, TwoFaultsProgress } from '@usual-drag/core/diagnosis';
import type { Job, JobFault, PartResistances } from '@usual-drag/core/job';
import { proxy } from 'comlink';
import type { DiagnosisSearch } from './diagnosis.worker.ts';
import { run, type Run } from './run.ts';

const create = (): Worker => new Worker(new URL('./diagnosis.worker.ts', import.meta.url), { type: 'module' });

/** Searches for the single faults that explain a job's readings, each with its deviation from every reading. */
export const startExplanations = (job: Job): Run<Result<ExplanationMatrix, JobFault>> =>
  run<DiagnosisSearch, Result<ExplanationMatrix, JobFault>>(create, (search) => search.explain(job));

/** Fits unknown values to the readings of one job, or of several together. */
export const startFit = (jobs: readonly Job[], names: readonly string[]): Run<Result<Fit, JobFault>> =>
  run<DiagnosisSearch, Result<Fit, JobFault>>(create, (search) => search.fit(jobs, names));

/** Compares the resistances that the circuits of an order give for each part. */
export const startPartResistances = (circuits: readonly Job[]): Run<readonly PartResistances[]> =>
  run<DiagnosisSearch, readonly PartResistances[]>(create, (search) => search.parts(circuits));

/** Searches for two faults that explain a job's readings together. */
export const startTwoFaults = (
  job: Job,
  onProgress: (progress: TwoFaultsProgress) => void,
): Run<Result<readonly TwoFaultsGroup[], JobFault>> =>
  run<DiagnosisSearch, Result<readonly TwoFaultsGroup[], JobFault>>(create, (search) =>
    search.twoFaults(job, proxy(onProgress)),
  );
