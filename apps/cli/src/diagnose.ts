import { diagnoseJob, fitFreeNames } from '@usual-drag/core';
import { onJob, refused, type Output } from './output.ts';

/** Which single fault explains one job's readings, or its first fault, as the published format writes them. */
export const diagnoseFile = (text: string): Output =>
  onJob(text, (job) => {
    const made = diagnoseJob(job);
    return made.ok ? { output: made.value, solved: true } : refused(made.fault);
  });

/** What one job's readings say about the values that are named. */
export const fitFile = (text: string, free: readonly string[]): Output =>
  onJob(text, (job) => {
    const made = fitFreeNames(job, free);
    return made.ok ? { output: made.value, solved: true } : refused(made.fault);
  });
