import { readJob } from '@usual-drag/contract';
import type { Job } from '@usual-drag/core/job';
import { fail, ok, type Result } from '@usual-drag/core/result';

/** Output of a command for one file, and whether the request could be carried out. */
export interface Output {
  readonly output: unknown;
  readonly solved: boolean;
}

/** Runs a command on the text of a job file; what cannot be read gives its first fault. */
export function onJob<T extends Output>(text: string, run: (job: Job) => T): T | Output {
  const job = readJob(text);
  return job.ok ? run(job.value) : refused(job.fault[0]!);
}

/** The jobs of several files; the first fault of a file otherwise. */
export function jobsFrom(texts: readonly string[]): Result<readonly Job[], Output> {
  const jobs: Job[] = [];
  for (const text of texts) {
    const job = readJob(text);
    if (!job.ok) return fail(refused(job.fault[0]!));
    jobs.push(job.value);
  }
  return ok(jobs);
}

/** An error as the published format writes it. */
export const refused = ({
  code,
  message,
  where,
}: {
  code: string;
  message: string;
  where: readonly string[];
}): Output => ({
  output: { error: { code, message, where } },
  solved: false,
});
