import { atItsVersion } from './job-version.ts';
import type { Job, JobRecord } from './job.ts';

/** The job with another head; keys that are empty are left out, and so is a head without any. */
export function editRecord(job: Job, record: JobRecord): Job {
  const filled = Object.entries(record).filter(([, value]) => value !== undefined && value !== '');
  const { record: _former, ...rest } = job;
  return atItsVersion(filled.length > 0 ? { ...rest, record: Object.fromEntries(filled) } : rest);
}
