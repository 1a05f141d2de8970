import { readJob } from '@usual-drag/contract';
import { solveJob } from '@usual-drag/core';

/** The result of one job file's text, or its first fault, as the published format writes them. */
export function solveFile(text: string): { readonly output: unknown; readonly solved: boolean } {
  const job = readJob(text);
  if (!job.ok) return { output: { error: job.fault[0] }, solved: false };
  const result = solveJob(job.value);
  return result.ok ? { output: result.value, solved: true } : { output: { error: result.fault }, solved: false };
}
