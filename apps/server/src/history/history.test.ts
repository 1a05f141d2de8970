import type { History, StoredDocument } from '@usual-drag/contract';
import { newJob, type Job } from '@usual-drag/core/job';
import { newFolder, startServer, type RunningServer } from '../test/running-server.ts';
import { thinned } from './thinned.ts';

let server: RunningServer;
beforeAll(async () => {
  server = await startServer(newFolder());
});
afterAll(() => server.stop());

const historyOf = async (id: string, before = ''): Promise<History> =>
  (await server.ask('GET', `/history/jobs/${id}${before}`)).json;

test('every saved revision is kept, with what changed, and can be opened', async () => {
  const made = (await server.ask('POST', '/jobs', { document: newJob('Divider') })).json as StoredDocument<Job>;
  const [e1, r1] = made.document.network.elements as [Job['network']['elements'][0], Job['network']['elements'][0]];
  const versions: Job[] = [
    made.document,
    { ...made.document, network: { elements: [e1, { ...r1, id: 'R2' }] } },
    { ...made.document, title: 'Divider, mended', network: { elements: [e1, { ...r1, id: 'R2' }] } },
  ];
  for (const [at, document] of versions.slice(1).entries())
    expect((await server.ask('PUT', `/jobs/${made.id}`, { revision: at + 1, document })).status).toBe(200);
  const { entries, before } = await historyOf(made.id);
  expect(entries.map(({ revision, changes }) => [revision, changes])).toEqual([
    [3, ['Title changed']],
    [2, ['Parts: R2 added, R1 removed']],
    [1, []],
  ]);
  expect(before).toBeNull();
  expect(entries[0]!.entry).toBeNull();
  for (const [at, { entry }] of entries.slice(1).entries()) {
    const opened = (await server.ask('GET', `/history/jobs/${made.id}/${entry}`)).json as StoredDocument<Job>;
    expect(opened.document).toEqual(versions[1 - at]);
  }
});

test('a long history is told in parts', async () => {
  const made = (await server.ask('POST', '/jobs', { document: newJob('Long') })).json as StoredDocument<Job>;
  for (let k = 1; k <= 130; k += 1)
    await server.ask('PUT', `/jobs/${made.id}`, { revision: k, document: { ...made.document, title: `Long ${k}` } });
  const first = await historyOf(made.id);
  const second = await historyOf(made.id, `?before=${first.before}`);
  const revisions = [...first.entries, ...second.entries].map(({ revision }) => revision);
  expect(revisions).toEqual(Array.from({ length: 131 }, (_, k) => 131 - k));
  expect(second.before).toBeNull();
  expect([...first.entries, ...second.entries].slice(0, -1).every(({ changes }) => changes.length === 1)).toBe(true);
});

test('a version that was not taken is set aside in the history, once', async () => {
  const made = (await server.ask('POST', '/jobs', { document: newJob('Mine or theirs') })).json as StoredDocument<Job>;
  const document: Job = { ...made.document, title: 'Not taken' };
  for (let k = 0; k < 2; k += 1)
    expect((await server.ask('POST', `/history/jobs/${made.id}`, { revision: 1, document })).status).toBe(204);
  expect((await server.ask('POST', '/history/jobs/nobody', { revision: 1, document })).status).toBe(404);
  const { entries } = await historyOf(made.id);
  expect(entries.map(({ aside, revision }) => [aside, revision])).toEqual([
    [false, 1],
    [true, 1],
  ]);
  expect((await server.ask('GET', `/jobs/${made.id}`)).json).toMatchObject({ revision: 1, document: made.document });
});

test('an archived job can be deleted for good, with its history; one in use cannot', async () => {
  const made = (await server.ask('POST', '/jobs', { document: newJob('Gone') })).json as StoredDocument<Job>;
  expect((await server.ask('DELETE', `/archived/jobs/${made.id}`)).status).toBe(403);
  await server.ask('DELETE', `/jobs/${made.id}`);
  expect((await server.ask('DELETE', `/archived/jobs/${made.id}`)).status).toBe(204);
  expect((await server.ask('GET', '/jobs/archived')).text).not.toContain(made.id);
  expect((await server.ask('GET', `/history/jobs/${made.id}`)).status).toBe(404);
  expect((await server.ask('DELETE', `/archived/jobs/${made.id}`)).status).toBe(404);
});

const now = new Date('2026-11-26T12:00:00Z');
const minute = 60_000;
const day = 24 * 60 * minute;
const minutesAgo = (entry: number, minutes: number, aside = false) => ({
  entry,
  savedAt: new Date(now.getTime() - minutes * minute).toISOString(),
  aside,
});

test('histories are thinned with age: a day whole, then one an hour, a day, a week', () => {
  // One a minute over two days: the last day whole, the 24 hours before with one each.
  const dense = Array.from({ length: 2 * 24 * 60 }, (_, k) => minutesAgo(10_000 - k, k + 1));
  const kept = dense.length - thinned(dense).length;
  expect(kept).toBeGreaterThanOrEqual(24 * 60 + 24);
  expect(kept).toBeLessThanOrEqual(24 * 60 + 26);
  // One an hour over a year: 24 of the last day, an hour's each for six more, a day's each to 13 weeks, a week's each after.
  const sparse = Array.from({ length: 365 * 24 }, (_, k) => minutesAgo(10_000 - k, 60 * (k + 1)));
  const left = sparse.length - thinned(sparse).length;
  const expected = 7 * 24 + (13 * 7 - 7) + (52 - 13);
  expect(Math.abs(left - expected)).toBeLessThanOrEqual(4);
  // What is thinned once stays nearly so (gaps count for less), and what was set aside is never thinned.
  const gone = new Set(thinned(sparse));
  expect(thinned(sparse.filter(({ entry }) => !gone.has(entry))).length).toBeLessThanOrEqual(2);
  const aside = Array.from({ length: 9 }, (_, k) => minutesAgo(k, 60 * 24 * 300, true));
  expect(thinned(aside)).toEqual([]);
});

/** A version a minute of one working day. */
const workingDay = Array.from({ length: 60 }, (_, k) => minutesAgo(k + 1, 60 - k));

test.each([
  ['forward by 400 days', 400],
  ['back by 400 days', -400],
])('a clock that is set %s between two versions removes none of those before', (_, days) => {
  const savedAt = new Date(now.getTime() + days * day).toISOString();
  expect(thinned([...workingDay, { entry: 61, savedAt, aside: false }])).toEqual([]);
  // And after it was set right again.
  const after = { entry: 62, savedAt: new Date(now.getTime() + minute).toISOString(), aside: false };
  const gone = thinned([...workingDay, { entry: 61, savedAt, aside: false }, after]);
  expect(gone.length).toBe(0);
});

test('a document that rests for years keeps what its last day had, until it is worked on again for longer', () => {
  const years = Array.from({ length: 60 }, (_, k) => minutesAgo(k + 1, 3 * 365 * 24 * 60 - k));
  expect(thinned(years)).toEqual([]);
});
