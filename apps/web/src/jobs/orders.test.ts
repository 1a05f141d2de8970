import type { JobSummary } from '@usual-drag/contract';
import fc from 'fast-check';
import { byOrder, circuitBeside } from './orders.ts';

const job = (id: string, order: string | undefined, createdAt: string): JobSummary => ({
  id,
  title: id,
  revision: 1,
  createdAt,
  updatedAt: createdAt,
  archivedAt: null,
  record: order === undefined ? {} : { order },
  place: null,
  state: 'computed',
  parts: 4,
  setups: 0,
  worstError: null,
  unreadable: '',
  readings: null,
});
const jobs = [
  job('alone', undefined, '2026-11-05'),
  job('third', 'WO-1', '2026-11-04'),
  job('single', 'WO-2', '2026-11-03'),
  job('first', 'WO-1', '2026-11-01'),
  job('second', 'WO-1', '2026-11-02'),
];
const ids = (listed: readonly JobSummary[]): string[] => listed.map(({ id }) => id);

test('jobs with one order number stand together in the sequence they were made, the others in their places', () => {
  expect(byOrder(jobs).map(({ order, jobs: of }) => [order, ids(of)])).toEqual([
    [null, ['alone']],
    ['WO-1', ['first', 'second', 'third']],
    [null, ['single']],
  ]);
});

test('circuits that were given places come first, in these; the others as they were made', () => {
  const placed = jobs.map((one) => ({ ...one, place: { third: 0, second: 1 }[one.id] ?? null }));
  expect(ids(byOrder(placed)[1]!.jobs)).toEqual(['third', 'second', 'first']);
  expect(circuitBeside(placed, 'third', 1)?.id).toBe('second');
});

test('the next and the former circuit of an order, none beyond its ends, none without an order', () => {
  expect(circuitBeside(jobs, 'first', 1)?.id).toBe('second');
  expect(circuitBeside(jobs, 'third', -1)?.id).toBe('second');
  expect(circuitBeside(jobs, 'third', 1)).toBeUndefined();
  expect(circuitBeside(jobs, 'first', -1)).toBeUndefined();
  expect(circuitBeside(jobs, 'single', 1)).toBeUndefined();
  expect(circuitBeside(jobs, 'alone', 1)).toBeUndefined();
  expect(circuitBeside(jobs, 'unknown', 1)).toBeUndefined();
});

test('property: every job is in one group, and a group of an order has two at least', () => {
  const listed = fc.array(
    fc.tuple(fc.option(fc.constantFrom('a', 'b', 'c'), { nil: undefined }), fc.integer({ min: 1, max: 9 })),
    { maxLength: 20 },
  );
  let grouped = 0;
  fc.assert(
    fc.property(listed, (made) => {
      const all = made.map(([order, day], index) => job(`j${index}`, order, `2026-11-0${day}`));
      const groups = byOrder(all);
      expect(ids(groups.flatMap(({ jobs: of }) => of)).sort()).toEqual(ids(all).sort());
      for (const { order, jobs: of } of groups)
        if (order !== null) {
          grouped += 1;
          expect(of.length).toBeGreaterThan(1);
          expect(of.every(({ record }) => record.order === order)).toBe(true);
        }
    }),
  );
  expect(grouped).toBeGreaterThan(20);
});
