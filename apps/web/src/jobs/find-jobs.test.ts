import type { JobSummary } from '@usual-drag/contract';
import fc from 'fast-check';
import { assetsOf, findJobs, jobOrders, type JobSearch } from './find-jobs.ts';

const job = (title: string | null, record: JobSummary['record'], more: Partial<JobSummary> = {}): JobSummary => ({
  id: title ?? 'x',
  title,
  revision: 1,
  createdAt: '2026-11-20T09:00:00.000Z',
  updatedAt: '2026-11-20T10:00:00.000Z',
  archivedAt: null,
  record,
  place: null,
  state: 'computed',
  parts: 5,
  setups: 1,
  worstError: null,
  unreadable: '',
  readings: null,
  ...more,
});
const jobs = [
  job('Float-level divider', { asset: 'SL-14', site: 'Saltmarsh Lift Station' }, { worstError: -0.426 }),
  job('Beacon panel', { asset: 'SL-9', order: 'SL-WO-2219', date: '2026-11-19' }, { worstError: 0.02 }),
  job(null, {}, { updatedAt: '2026-11-21T10:00:00.000Z' }),
];
const all: JobSearch = { text: '', asset: '', order: 'changed' };
const titles = (search: Partial<JobSearch>) => findJobs(jobs, { ...all, ...search }).map(({ title }) => title);

test('every word must be in the title or the head, in any order and letter case', () => {
  expect(titles({ text: 'divider saltmarsh' })).toEqual(['Float-level divider']);
  expect(titles({ text: 'wo-22' })).toEqual(['Beacon panel']);
  expect(titles({ text: 'beacon saltmarsh' })).toEqual([]);
});

test('one asset alone, and each asset once, by number', () => {
  expect(titles({ asset: 'SL-9' })).toEqual(['Beacon panel']);
  expect(assetsOf([...jobs, ...jobs])).toEqual(['SL-9', 'SL-14']);
});

test('sorted by what is asked for; what has none comes last', () => {
  expect(titles({})[0]).toBeNull();
  expect(titles({ order: 'title' })).toEqual(['Beacon panel', 'Float-level divider', null]);
  expect(titles({ order: 'asset' })).toEqual(['Beacon panel', 'Float-level divider', null]);
  expect(titles({ order: 'error' })[0]).toBe('Float-level divider');
  expect(titles({ order: 'date' })[0]).toBe('Beacon panel');
});

test('a search finds nothing that is not there, and without words loses nothing', () => {
  fc.assert(
    fc.property(fc.string(), fc.constantFrom(...jobOrders), (text, order) => {
      const found = findJobs(jobs, { text, asset: '', order });
      expect(jobs).toEqual(expect.arrayContaining(found));
      expect(findJobs(jobs, { text: ' ', asset: '', order })).toHaveLength(jobs.length);
    }),
  );
});
