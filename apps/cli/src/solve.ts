import { readJob } from '@usual-drag/contract';
import { solveJob } from '@usual-drag/core';

/** The result of one job file's text, or its first fault, as the published format writes them. */
export function solveFile(text: string): { readonly output: unknown; readonly solved: boolean } {
  const job = readJob(text);
  if (!job.ok) {
    const { code, message, where } = job.fault[0]!;
    return { output: { error: { code, message, where } }, solved: false };
  }
  const result = solveJob(job.value);
  return result.ok ? { output: result.value, solved: true } : { output: { error: result.fault }, solved: false };
}
