import { solveJob } from '@usual-drag/core/job';
import { onJob, refused, type Output } from './output.ts';

/** The result of one job file's text, or its first fault, as the published format writes them. */
export const solveFile = (text: string): Output =>
  onJob(text, (job) => {
    const result = solveJob(job);
    return result.ok ? { output: result.value, solved: true } : refused(result.fault);
  });
