import { readJob } from '@usual-drag/contract';
import type { Job } from '@usual-drag/core/job';

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
