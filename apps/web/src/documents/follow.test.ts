import type { DocumentChange, Followed, ReadingsStep, StoredDocument } from '@usual-drag/contract';
import { newJob, type Job } from '@usual-drag/core/job';
import { takeReading } from '../../../../packages/core/src/test/take-reading.ts';
import type { AnnouncementListener } from '../api/events.ts';
import type * as DocumentsModule from './documents.ts';
import type * as FollowModule from './follow.ts';

const stored = (revision: number, title: string): StoredDocument<Job> => ({
  id: 'a',
  revision,
  updatedAt: '2026-11-27T09:00:00.000Z',
  document: newJob(title),
});

/** Document on the server, and the number of requests for it. */
let server: StoredDocument<Job>;
let asked: number;
let isAway: boolean;
let hear: (change: Partial<DocumentChange>) => void;
let opened: (...begun: Followed[]) => void;
let documents: typeof DocumentsModule;
const said: string[] = [];

jest.mock('../api/events.ts', () => ({
  listen: (listener: AnnouncementListener) => {
    hear = (change) => listener.onChange({ kind: 'jobs', id: 'a', revision: null, ...change });
    opened = (...begun) => listener.onOpen(begun);
    return () => undefined;
  },
}));
jest.mock('../api/http.ts', () => ({
  ask: () => {
    asked += 1;
    return isAway ? Promise.reject(new Error('away')) : Promise.resolve(server);
  },
}));
jest.mock('../ui/toast.ts', () => ({ toast: (text: string) => said.push(text) }));
jest.mock('./saving.ts', () => ({ isUnkept: () => false }));

beforeEach(() => {
  jest.useFakeTimers();
  [server, asked, isAway] = [stored(1, 'one'), 0, false];
  said.length = 0;
  jest.isolateModules(() => {
    documents = jest.requireActual<typeof DocumentsModule>('./documents.ts');
    const { followChanges } = jest.requireActual<typeof FollowModule>('./follow.ts');
    documents.openDocument('jobs', stored(1, 'one'));
    followChanges(() => undefined);
  });
});
afterEach(() => jest.useRealTimers());

const open = () => documents.documentState(documents.useDocuments.getState().open, 'jobs', 'a')!;
const settle = (ms: number) => jest.advanceTimersByTimeAsync(ms);

test('what another device saves is fetched once, and said where it can be undone', async () => {
  server = stored(2, 'two');
  hear({ revision: 2 });
  await settle(2000);
  expect([open().document.title, open().revision, asked]).toEqual(['two', 2, 1]);
  expect(said).toHaveLength(1);
});

test('what this page has saved itself is not asked for', async () => {
  hear({ revision: 1 });
  await settle(2000);
  expect(asked).toBe(0);
});

test('many changes at once are fetched a few times, to the last of them', async () => {
  for (let revision = 2; revision < 40; revision += 1) {
    server = stored(revision, `at ${revision}`);
    hear({ revision });
    await settle(20);
  }
  await settle(2000);
  expect(open().revision).toBe(39);
  expect(asked).toBeLessThan(6);
});

test('an edit under way is left alone, and what was heard is fetched once it is saved', async () => {
  documents.dispatch('jobs', 'a', { type: 'edited', document: newJob('mine') });
  server = stored(2, 'two');
  hear({ revision: 2 });
  await settle(2000);
  expect([open().document.title, asked]).toEqual(['mine', 0]);
  documents.dispatch('jobs', 'a', { type: 'undone' });
  await settle(2000);
  expect(open().document.title).toBe('two');
});

test('while the server is away it is not asked over and over; once it is heard again it is', async () => {
  isAway = true;
  hear({ revision: 2 });
  await settle(60_000);
  // Once, and the two tries that any question gets.
  expect(asked).toBe(3);
  isAway = false;
  server = stored(3, 'three');
  opened('jobs/a');
  hear({ revision: 3 });
  await settle(2000);
  expect(open().revision).toBe(3);
});

/** The job with so many readings, and the last of them as it is announced. */
const withReadings = (count: number): Job =>
  Array.from({ length: count }, (_, k) => String(k)).reduce((job, shown) => takeReading(job, shown), newJob('one'));
const step = (count: number): ReadingsStep => ({
  updatedAt: `2026-11-27T09:00:0${count}.000Z`,
  readings: withReadings(count).readings!.slice(-1),
});

test('readings of another device are applied as they are announced, without a request and without a message', async () => {
  hear({ revision: 2, step: step(1) });
  hear({ revision: 3, step: step(2) });
  expect([open().document, open().revision, open().savedAt]).toEqual([withReadings(2), 3, '2026-11-27T09:00:02.000Z']);
  await settle(2000);
  expect([asked, said]).toEqual([0, []]);
});

test('readings are applied in the order of their revisions; if an announcement is missing, the job is requested', async () => {
  hear({ revision: 3, step: step(2) });
  expect(open().revision).toBe(1);
  hear({ revision: 2, step: step(1) });
  expect([open().document, open().revision]).toEqual([withReadings(2), 3]);
  server = { ...stored(5, 'one'), document: withReadings(4) };
  hear({ revision: 5, step: step(4) });
  await settle(2000);
  expect([open().document, open().revision, asked]).toEqual([withReadings(4), 5, 2]);
});

test('readings that are announced during an edit are applied once it is saved', async () => {
  const mine = { ...newJob('mine') };
  documents.dispatch('jobs', 'a', { type: 'edited', document: mine });
  documents.dispatch('jobs', 'a', { type: 'sent' });
  hear({ revision: 2 });
  hear({ revision: 3, step: step(1) });
  await settle(1000);
  expect(open().document).toBe(mine);
  const own = { id: 'a', revision: 2, updatedAt: '2026-11-27T09:00:00.000Z', document: mine };
  documents.dispatch('jobs', 'a', { type: 'saved', stored: own });
  expect(open()).toMatchObject({ revision: 3, document: { title: 'mine', readings: withReadings(1).readings } });
  await settle(2000);
  expect(asked).toBe(0);
});
