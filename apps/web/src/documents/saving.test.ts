import type { StoredDocument } from '@usual-drag/contract';
import { newJob, putReadings, type Job } from '@usual-drag/core/job';
import { takeReading } from '../../../../packages/core/src/test/take-reading.ts';
import type * as Http from '../api/http.ts';
import { Refused } from '../api/http.ts';
import { dispatch, documentState, openDocument, useDocuments } from './documents.ts';
import { startSaving } from './saving.ts';

type Ask = (method: string, path: string, body: { readonly revision: number }) => Promise<unknown>;

/** Requests so far, and how the next ones are answered. */
const asked: Parameters<Ask>[] = [];
let answer: Ask;

jest.mock('../api/http.ts', () => ({
  ...jest.requireActual<typeof Http>('../api/http.ts'),
  ask: (...request: Parameters<Ask>) => {
    asked.push(request);
    return answer(...request);
  },
}));
jest.mock('./drafts.ts', () => ({
  holdWindow: () => undefined,
  keepDraft: () => true,
  dropDraft: () => undefined,
  takeOverDrafts: () => Promise.resolve([]),
}));

beforeAll(() => {
  Object.assign(globalThis, { window: new EventTarget() });
  startSaving(() => undefined);
});
beforeEach(() => {
  jest.useFakeTimers();
  asked.length = 0;
  useDocuments.setState({ open: {} });
  openDocument('jobs', stored(1, base));
});
afterEach(() => jest.useRealTimers());

const base = takeReading(newJob('Level loop'), '6.36');
const updatedAt = '2026-11-27T09:00:00.000Z';
const stored = (revision: number, document: Job): StoredDocument<Job> => ({ id: 'a', revision, updatedAt, document });
const state = () => documentState(useDocuments.getState().open, 'jobs', 'a')!;
const edit = async (document: Job): Promise<void> => {
  dispatch('jobs', 'a', { type: 'edited', document });
  await jest.advanceTimersByTimeAsync(300);
};

test('a reading is sent alone, and readings of others in the answer appear on the screen', async () => {
  const mine = takeReading(base, '3.65');
  const [theirs, own] = [takeReading(base, '12.1').readings![1]!, { ...mine.readings![1]!, id: 'M3' }];
  answer = () => Promise.resolve({ id: 'a', revision: 3, updatedAt, readings: [theirs, own] });
  await edit(mine);
  expect(asked).toEqual([['POST', '/jobs/a/readings', { revision: 1, readings: [mine.readings![1]] }]]);
  expect(state()).toMatchObject({ revision: 3, saving: { kind: 'saved' } });
  expect(state().document).toEqual(putReadings(base, [theirs, own]));
});

test('any other edit is sent with the whole job', async () => {
  const mine = { ...takeReading(base, '3.65'), title: 'Renamed' };
  answer = () => Promise.resolve(stored(2, mine));
  await edit(mine);
  expect(asked).toEqual([['PUT', '/jobs/a', { revision: 1, document: mine }]]);
  expect(state().saving.kind).toBe('saved');
});

test('a whole job as the answer replaces the one on the screen', async () => {
  const mine = takeReading(base, '3.65');
  const both = stored(3, { ...mine, title: 'Renamed elsewhere' });
  answer = () => Promise.resolve(both);
  await edit(mine);
  expect([state().document, state().revision, asked.length]).toEqual([both.document, 3, 1]);
});

test('after a refusal the whole job is sent; without an answer the readings are sent again alone', async () => {
  const mine = takeReading(base, '3.65');
  answer = (method) =>
    method === 'POST' ? Promise.reject(new Refused(409, 'Not stored.', {})) : Promise.resolve(stored(9, mine));
  await edit(mine);
  expect(asked.map(([method, path]) => `${method} ${path}`)).toEqual(['POST /jobs/a/readings', 'PUT /jobs/a']);
  expect(state()).toMatchObject({ revision: 9, saving: { kind: 'saved' } });

  asked.length = 0;
  const next = takeReading(mine, '3.66');
  answer = () => Promise.reject(new TypeError('away'));
  await edit(next);
  expect(state().saving.kind).toBe('unreachable');
  answer = () => Promise.resolve({ id: 'a', revision: 10, updatedAt, readings: next.readings!.slice(-1) });
  await jest.advanceTimersByTimeAsync(2000);
  expect(asked.map(([method, , { revision }]) => `${method} from ${revision}`)).toEqual(['POST from 9', 'POST from 9']);
  expect(state()).toMatchObject({ document: next, revision: 10, saving: { kind: 'saved' } });
});
