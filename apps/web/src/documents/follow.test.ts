import type { DocumentChange, StoredDocument } from '@usual-drag/contract';
import { newJob, type Job } from '@usual-drag/core/job';
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
let again: () => void;
let documents: typeof DocumentsModule;
const said: string[] = [];

jest.mock('../api/events.ts', () => ({
  listen: (onChange: (change: DocumentChange) => void, onAgain: () => void) => {
    hear = (change) => onChange({ kind: 'jobs', id: 'a', revision: null, ...change });
    again = onAgain;
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
  again();
  await settle(2000);
  expect(open().revision).toBe(3);
});
