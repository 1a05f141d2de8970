import type { Reading } from '../readings/index.ts';
import { atItsVersion } from './job-version.ts';
import type { Job } from './job.ts';
import { sameValue } from './same-value.ts';

/**
 * Returns the readings that were added or changed between two versions of a job, so that `putReadings` makes `after` of `before`;
 * null if anything else differs: another key of the job, or a reading that was removed, renamed or moved.
 */
export function changedReadings(before: Job, after: Job): readonly Reading[] | null {
  const former = before.readings ?? [];
  const changed = (after.readings ?? []).filter((reading, index) => !sameValue(reading, former[index]));
  return sameValue(putReadings(before, changed), after) ? changed : null;
}

/** Returns the job with each reading in place of the one with the same id, and new ones at the end, in order. */
export function putReadings(job: Job, readings: readonly Reading[]): Job {
  if (readings.length === 0) return job;
  const left = new Map(readings.map((reading) => [reading.id, reading]));
  const kept = (job.readings ?? []).map((reading) => {
    const changed = left.get(reading.id) ?? reading;
    left.delete(reading.id);
    return changed;
  });
  return atItsVersion({ ...job, readings: [...kept, ...left.values()] });
}
