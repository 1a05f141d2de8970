import { compareJob } from '@usual-drag/core';
import { onJob, refused, type Output } from './output.ts';

/** One job's readings against what was to be expected, or its first fault, as the published format writes them. */
export const compareFile = (text: string): Output =>
  onJob(text, (job) => {
    const compared = compareJob(job);
    return compared.ok ? { output: compared.value, solved: true } : refused(compared.fault);
  });
