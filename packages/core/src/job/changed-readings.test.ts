import fc from 'fast-check';
import type { Reading } from '../readings/index.ts';
import { changedReadings, putReadings } from './changed-readings.ts';
import { addObservation, noteReading, strikeReading } from './edits/reading-edits.ts';
import { floatLevelDivider } from './float-level-divider.ts';
import type { Job } from './job.ts';
import { mergeJobs } from './merge-jobs.ts';
import { takeReading } from '../test/take-reading.ts';
import { sameValue } from './same-value.ts';

const divider: Job = { ...floatLevelDivider([]), setups: [] };

const two = takeReading(takeReading(divider, '6.36', '2026-11-27T09:00:00Z'), '3.65', '2026-11-27T09:01:00Z');
const ids = (readings: readonly Reading[] | null) => readings?.map(({ id }) => id);

test('a reading taken, taken again, noted or struck is the only one that changed', () => {
  expect(ids(changedReadings(divider, two))).toEqual(['M1', 'M2']);
  expect(ids(changedReadings(two, takeReading(two, '1', 'later')))).toEqual(['M3']);
  expect(ids(changedReadings(two, addObservation(two, 'M2', { shown: '3.66', unit: 'V' })))).toEqual(['M2']);
  expect(ids(changedReadings(two, noteReading(two, 'M1', 'warm')))).toEqual(['M1']);
  expect(ids(changedReadings(two, strikeReading(two, 'M1', 'wrong node', '2026-11-27T10:00:00Z')))).toEqual(['M1']);
  expect(changedReadings(two, structuredClone(two))).toEqual([]);
});

test('anything else is no change of readings', () => {
  const [one, other] = two.readings!;
  expect(changedReadings(two, { ...takeReading(two, '1', 'later'), title: 'Other' })).toBeNull();
  expect(changedReadings(two, { ...two, readings: [one!] })).toBeNull();
  expect(changedReadings(two, { ...two, readings: [other!, one!] })).toBeNull();
  expect(changedReadings(two, { ...two, readings: [{ ...one!, id: 'M7' }, other!] })).toBeNull();
  expect(changedReadings(two, divider)).toBeNull();
});

test('a job with its first reading is of the version of the format that has readings', () => {
  const plain: Job = { format: 'usual-drag/job', version: 1, network: divider.network };
  const [first] = two.readings!;
  expect(putReadings(plain, [first!]).version).toBe(2);
  expect(changedReadings(plain, { ...plain, readings: [first!] })).toBeNull();
});

/** Steps of a device, one after the other. */
const steps = fc.array(
  fc.record({
    what: fc.constantFrom('take', 'again', 'note', 'strike', 'rename', 'remove'),
    at: fc.nat({ max: 9 }),
    text: fc.string({ minLength: 1, maxLength: 3 }),
  }),
  { maxLength: 6 },
);
type Step = typeof steps extends fc.Arbitrary<readonly (infer S)[]> ? S : never;

function done(job: Job, { what, at, text }: Step): Job {
  const id = job.readings?.[at % Math.max(1, job.readings.length)]?.id ?? 'M1';
  switch (what) {
    case 'take':
      return takeReading(job, text, `2026-11-27T09:${text}`);
    case 'again':
      return addObservation(job, id, { shown: text, unit: 'V' });
    case 'note':
      return noteReading(job, id, text);
    case 'strike':
      return strikeReading(job, id, text, 'now');
    case 'rename':
      return { ...job, title: text };
    default:
      return { ...job, readings: (job.readings ?? []).filter((reading) => reading.id !== id) };
  }
}

test('the changed readings reproduce the edited job, and merging them equals merging the whole job', () => {
  let [short, whole] = [0, 0];
  fc.assert(
    fc.property(steps, steps, (mySteps, theirSteps) => {
      const [mine, theirs] = [mySteps.reduce(done, two), theirSteps.reduce(done, two)];
      const changed = changedReadings(two, structuredClone(mine));
      if (changed === null) {
        whole += 1;
        return;
      }
      short += 1;
      const put = putReadings(two, changed);
      expect(sameValue(put, mine)).toBe(true);
      expect(mergeJobs(two, put, theirs)).toEqual(mergeJobs(two, mine, theirs));
    }),
  );
  expect(short).toBeGreaterThan(20);
  expect(whole).toBeGreaterThan(10);
});
