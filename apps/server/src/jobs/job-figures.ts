import type { JobSummary } from '@usual-drag/contract';
import { jobStatus, networkMeant, readingsStatus, trueValuesOf, unreadableWords, type Job } from '@usual-drag/core/job';

/** Figures of a job's line in the list that require solving the circuit. */
export type JobFigures = Pick<JobSummary, 'worstError' | 'unreadable' | 'readings'>;

export function jobFigures(job: Job): JobFigures {
  const unloaded = trueValuesOf(networkMeant(job));
  const { worstError, unreadable } = jobStatus(job, unloaded);
  return { worstError, unreadable: unreadableWords(unreadable), readings: readingsStatus(job, unloaded) };
}
