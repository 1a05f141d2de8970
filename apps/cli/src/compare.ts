import { compareJob } from '@usual-drag/core/job';
import { onJob, refused, type Output } from './output.ts';

/**
 * Compares one job's readings with their expected values, in the published format, or returns the job's first fault.
 *
 * @param budget  whether each corrected value comes with its uncertainty budget
 */
export const compareFile = (text: string, budget: boolean): Output =>
  onJob(text, (job) => {
    const compared = compareJob(job, { corrected: budget ? 'budget' : 'value' });
    return compared.ok ? { output: compared.value, solved: true } : refused(compared.fault);
  });
