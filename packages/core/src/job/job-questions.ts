import {
  diagnose,
  diagnosePairs,
  fitJob,
  freeName,
  twoFaults,
  type Diagnosis,
  type Fit,
  type FreeName,
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

/** Which two faults together explain a job's readings, or the first fault of the file. */
export const twoFaultsOfJob = (
  job: Job,
  onProgress?: (progress: TwoFaultsProgress) => void,
): Result<readonly TwoFaultsGroup[], JobFault> => answer(job, (meant) => twoFaults(meant, onProgress));

/**
 * Returns the fit of unknown values to a job's readings.
 *
 * @param names  as `freeName` reads them
 * @returns the fit, the first fault of the file, or `invalid-value` with the names that the job does not have
 */
export function fitFreeNames(job: Job, names: readonly string[]): Result<Fit, JobFault> {
  const free = names.map((name) => freeName(name, job));
  const unknown = names.filter((_, index) => free[index] === null);
  if (unknown.length === 0 && free.length > 0)
    return answer(job, (meant) => fitJob(meant, free as readonly FreeName[]));
  return fail({
    code: 'invalid-value',
    message: `${unknown.length > 0 ? `This job has no ${unknown.join(', ')}.` : 'Name what is free.'} Names are E1.emf, E1.internalResistance, R1.resistance, meter:INSTRUMENT:dc-current and leads.`,
    where: unknown,
  });
}

/** An answer about a job that is sound, a solver's fault in a technician's words. */
function answer<T>(job: Job, ask: (meant: Job) => Result<T, SolverFault>): Result<T, JobFault> {
  const [fault] = jobFaults(job);
  if (fault) return fail(fault);
  const made = ask(jobMeant(job));
  return made.ok ? made : fail(explainSolverFault(made.fault));
}
