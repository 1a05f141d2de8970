import type { Job, JobRecord } from './job.ts';

/** The job with another head; keys that are empty are left out, and so is a head without any. */
export function editRecord(job: Job, record: JobRecord): Job {
  const filled = Object.entries(record).filter(([, value]) => value !== undefined && value !== '');
  const { record: _former, ...rest } = job;
  return atItsVersion(filled.length > 0 ? { ...rest, record: Object.fromEntries(filled) } : rest);
}

/**
 * The job with the lowest version of the format that has all its keys.
 *
 * A polarised load means something else from version 2 on: a job that has one does not go back.
 */
function atItsVersion(job: Job): Job {
  const needed = versionKeys.some((key) => job[key] !== undefined);
  const stays = job.version === 2 && job.network.elements.some((one) => one.kind === 'load' && one.polarised);
  const version = needed || stays ? 2 : 1;
  return job.version === version ? job : { ...job, version };
}

/** Keys of a job that came with version 2. */
export const versionKeys = ['record'] as const satisfies readonly (keyof Job)[];
