import { newJob, type Job } from '@usual-drag/core/job';
import { takeReading } from '../../core/src/test/take-reading.ts';
import type { ReadingsStep, StoredDocument } from './answers.ts';
import { followSteps, savedJob } from './saved-readings.ts';

const jobs = ['1', '2', '3', '4'].reduce(
  (all, shown) => [...all, takeReading(all.at(-1)!, shown)],
  [newJob('Level loop')],
);
const stored = (revision: number): StoredDocument<Job> => ({
  id: 'a',
  revision,
  updatedAt: `at ${revision}`,
  document: jobs[revision - 1]!,
});
const step = (revision: number): [number, ReadingsStep] => [
  revision,
  { updatedAt: `at ${revision}`, readings: jobs[revision - 1]!.readings!.slice(-1) },
];

test('an answer with readings is put into the job that they were based on; a whole job is returned as it is', () => {
  expect(savedJob(jobs[0]!, { id: 'a', revision: 3, updatedAt: 'at 3', readings: jobs[2]!.readings! })).toEqual(
    stored(3),
  );
  expect(savedJob(jobs[0]!, stored(4))).toEqual(stored(4));
});

test('steps are applied up to the first gap', () => {
  expect(followSteps(stored(1), new Map([step(3), step(2), step(5)]))).toEqual(stored(3));
  expect(followSteps(stored(1), new Map([step(2), step(3), step(4), step(5)]))).toEqual(stored(5));
  expect(followSteps(stored(3), new Map([step(2), step(3)]))).toEqual(stored(3));
  const alone = stored(2);
  expect(followSteps(alone, new Map([step(4)]))).toBe(alone);
});
