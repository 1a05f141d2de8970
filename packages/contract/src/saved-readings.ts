import { putReadings, type Job } from '@usual-drag/core/job';
import type { ReadingsStep, SavedReadings, StoredDocument } from './answers.ts';

/**
 * Returns the job as the server has it after readings were saved.
 *
 * @param base  job at the revision that the readings were based on
 */
export function savedJob(base: Job, answer: SavedReadings | StoredDocument<Job>): StoredDocument<Job> {
  if ('document' in answer) return answer;
  const { id, revision, updatedAt, readings } = answer;
  return { id, revision, updatedAt, document: putReadings(base, readings) };
}

/**
 * Returns the newest version of a job that announced readings lead to without a gap; the job itself if none does.
 *
 * @param steps  announced readings, by the revision that contains them
 */
export function followSteps(job: StoredDocument<Job>, steps: ReadonlyMap<number, ReadingsStep>): StoredDocument<Job> {
  let newest = job;
  for (let step = steps.get(job.revision + 1); step; step = steps.get(newest.revision + 1)) {
    const { updatedAt, readings } = step;
    newest = { id: job.id, revision: newest.revision + 1, updatedAt, document: putReadings(newest.document, readings) };
  }
  return newest;
}
