import { diagnoseJob, diagnosePairsOfJob, fitFreeNames } from '@usual-drag/core/job';
import { jobsFrom, onJob, refused, type Output } from './output.ts';

/**
 * Finds the faults that explain one job's readings, in the published format, or the job's first fault.
 *
 * @param faults  2 to search for pairs of faults if no single one explains the readings
 */
export const diagnoseFile = (text: string, faults: 1 | 2): Output =>
  onJob(text, (job) => {
    const made = faults === 2 ? diagnosePairsOfJob(job) : diagnoseJob(job);
    return made.ok ? { output: made.value, solved: true } : refused(made.fault);
  });

/** Returns the fit of named values to the readings of one job, or of several together; the first fault of a file otherwise. */
export function fitFiles(texts: readonly string[], free: readonly string[]): Output {
  const jobs = jobsFrom(texts);
  if (!jobs.ok) return jobs.fault;
  const made = fitFreeNames(jobs.value, free);
  return made.ok ? { output: made.value, solved: true } : refused(made.fault);
}
