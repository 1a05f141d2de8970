import {
  diagnose,
  diagnosePairs,
  explanationMatrix,
  exampleNames,
  fitJobs,
  freeName,
  twoFaults,
  type Diagnosis,
  type ExplanationMatrix,
  type Fit,
  type PairDiagnosis,
  type TwoFaultsGroup,
  type TwoFaultsProgress,
} from '../diagnosis/index.ts';
import { makePlan, type Depth, type Plan } from '../plan/index.ts';
import { compareReadings, type Comparison, type ComparisonOptions } from '../readings/index.ts';
import { fail, type Result } from '../result.ts';
import type { SolverFault } from '../solver/index.ts';
import type { Job, JobFault } from './job.ts';
import { jobMeant } from './job-meant.ts';
import { jobFaults } from './solve-job.ts';
import { explainSolverFault } from './solver-words.ts';

/** A job's readings against what was to be expected, or the first fault that keeps them from being compared. */
export const compareJob = (job: Job, options?: ComparisonOptions): Result<Comparison, JobFault> =>
  answer(job, (meant) => compareReadings(meant, options));

/** Returns the plan of a job, or the first fault that prevents it. */
export const planJob = (job: Job, depth?: Depth): Result<Plan, JobFault> =>
  answer(job, (meant) => makePlan(meant, depth));

/** Which single fault explains a job's readings, or the first fault of the file. */
export const diagnoseJob = (job: Job): Result<Diagnosis, JobFault> => answer(job, (meant) => diagnose(meant));

/** Finds the single faults, or else the pairs of faults, that explain a job's readings, or the first fault of the file. */
export const diagnosePairsOfJob = (job: Job): Result<PairDiagnosis, JobFault> => answer(job, diagnosePairs);

/** Returns the explanations of a job's readings as a matrix of deviations, or the first fault of the file. */
export const explanationsOfJob = (job: Job): Result<ExplanationMatrix, JobFault> => answer(job, explanationMatrix);

/** Which two faults together explain a job's readings, or the first fault of the file. */
export const twoFaultsOfJob = (
  job: Job,
  onProgress?: (progress: TwoFaultsProgress) => void,
): Result<readonly TwoFaultsGroup[], JobFault> => answer(job, (meant) => twoFaults(meant, onProgress));

/**
 * Returns the fit of unknown values to the readings of one job, or of several together.
 *
 * @param names  as `freeName` reads them
 * @returns the fit, the first fault of a file, or `invalid-value` with the names that no job has
 */
export function fitFreeNames(jobs: readonly Job[], names: readonly string[]): Result<Fit, JobFault> {
  const [fault] = jobs.flatMap(jobFaults);
  if (fault) return fail(fault);
  const meant = jobs.map(jobMeant);
  const free = meant.map((job) => names.flatMap((name) => freeName(name, job) ?? []));
  const unknown = names.filter((name) => !free.flat().some((one) => one.name === name));
  if (unknown.length > 0 || names.length === 0) {
    const reason = unknown.length > 0 ? `This job has no ${unknown.join(', ')}.` : 'Name what is free.';
    return fail({ code: 'invalid-value', message: `${reason} Names are ${exampleNames}.`, where: unknown });
  }
  const fit = fitJobs(meant, free);
  return fit.ok ? fit : fail(explainSolverFault(fit.fault));
}

/** An answer about a job that is sound, a solver's fault in a technician's words. */
function answer<T>(job: Job, ask: (meant: Job) => Result<T, SolverFault>): Result<T, JobFault> {
  const [fault] = jobFaults(job);
  if (fault) return fail(fault);
  const made = ask(jobMeant(job));
  return made.ok ? made : fail(explainSolverFault(made.fault));
}
