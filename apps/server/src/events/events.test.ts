import type { DocumentChange, StoredDocument } from '@usual-drag/contract';
import { floatLevelDivider, type Job } from '@usual-drag/core/job';
import { listen, until } from '../test/listen.ts';
import { newFolder, startServer, type RunningServer } from '../test/running-server.ts';
import { takeReading } from '../../../../packages/core/src/test/take-reading.ts';

let server: RunningServer;
beforeEach(async () => {
  server = await startServer(newFolder());
});
afterEach(() => server.stop());

const divider: Job = floatLevelDivider([]);
test('whoever listens is told of every document that is saved, archived, restored or deleted', async () => {
  const [one, other] = [await listen(server), await listen(server)];
  const { id, document } = (await server.ask('POST', '/jobs', { document: divider })).json as StoredDocument<Job>;
  await server.ask('PUT', `/jobs/${id}`, { revision: 1, document: { ...document, title: 'Changed' } });
  await server.ask('PUT', `/jobs/${id}`, { revision: 1, document: { ...document, title: 'Refused' } });
  await server.ask('DELETE', `/jobs/${id}`);
  await server.ask('POST', `/jobs/${id}/restore`);
  await server.ask('PUT', '/instruments/mine', { document: { id: 'mine' } });
  await server.ask('POST', '/instruments/import', { format: 'usual-drag/kit', version: 1, instruments: [{ id: 'b' }] });
  await until(() => one.length === 6 && other.length === 6);
  const expected: DocumentChange[] = [
    { kind: 'jobs', id, revision: 1 },
    { kind: 'jobs', id, revision: 2 },
    { kind: 'jobs', id, revision: null },
    { kind: 'jobs', id, revision: null },
    { kind: 'instruments', id: 'mine', revision: 1 },
    { kind: 'instruments', id: null, revision: null },
  ];
  expect(one).toEqual(expected);
  expect(other).toEqual(expected);
});

test('a connection receives only the changes of what it follows; the revisions of documents come first', async () => {
  const make = async () => (await server.ask('POST', '/jobs', { document: divider })).json as StoredDocument<Job>;
  const [one, other] = [await make(), await make()];
  await server.ask('PUT', `/jobs/${other.id}`, { revision: 1, document: { ...divider, title: 'Before' } });
  const [document, list, kit] = [
    await listen(server, `jobs/${one.id}`, `jobs/${other.id}`, 'jobs/none'),
    await listen(server, 'jobs'),
    await listen(server, 'instruments'),
  ];
  await until(() => document.length === 2);
  expect(new Set(document)).toEqual(
    new Set([
      { kind: 'jobs', id: one.id, revision: 1 },
      { kind: 'jobs', id: other.id, revision: 2 },
    ]),
  );
  const made = await make();
  await server.ask('PUT', `/jobs/${one.id}`, { revision: 1, document: { ...divider, title: 'Changed' } });
  await server.ask('PUT', '/instruments/mine', { document: { id: 'mine' } });
  await until(() => list.length === 2 && kit.length === 1 && document.length === 3);
  expect(document.slice(2)).toEqual([{ kind: 'jobs', id: one.id, revision: 2 }]);
  expect(list).toEqual([
    { kind: 'jobs', id: made.id, revision: 1 },
    { kind: 'jobs', id: one.id, revision: 2 },
  ]);
  expect(kit).toEqual([{ kind: 'instruments', id: 'mine', revision: 1 }]);
});

test('unknown subjects are refused, and more of them than the limit', async () => {
  const asked = (follow: readonly string[]) =>
    server.ask(
      'GET',
      `/events?${new URLSearchParams(follow.map((subject): [string, string] => ['follow', subject])).toString()}`,
    );
  for (const wrong of ['job', 'jobs/', 'signatures/1', '/jobs/1']) {
    const { status, json } = await asked(['jobs', wrong]);
    expect([status, (json as { error: { message: string } }).error.message]).toEqual([
      400,
      expect.stringContaining('cannot be followed'),
    ]);
  }
  expect((await asked(Array.from({ length: 51 }, (_, k) => `jobs/${k}`))).status).toBe(400);
});

test('readings that two devices take of one job are both saved, and the answer says what came of them', async () => {
  const { id, document } = (await server.ask('POST', '/jobs', { document: divider })).json as StoredDocument<Job>;
  const save = async (revision: number, job: Job) =>
    (await server.ask('PUT', `/jobs/${id}`, { revision, document: job })).json as StoredDocument<Job>;
  const bench = await save(1, takeReading(document, '6.36', '2026-11-27T09:00:00.000Z'));
  const sent = takeReading(
    takeReading(document, '3.65', '2026-11-27T09:00:10.000Z'),
    '3.66',
    '2026-11-27T09:00:20.000Z',
  );
  const phone = await save(1, sent);
  expect([bench.revision, phone.revision]).toEqual([2, 3]);
  expect(phone.document.readings!.map((one) => [one.id, one.observations[0]!.shown])).toEqual([
    ['M1', '6.36'],
    ['M2', '3.65'],
    ['M3', '3.66'],
  ]);
  // No answer had come: the same once more changes nothing.
  expect((await save(1, sent)).revision).toBe(3);
  expect((await server.ask('GET', `/jobs/${id}`)).json).toEqual(phone);
});

test('of two edits of the network the later one is asked about, with the version that is there', async () => {
  const { id, document } = (await server.ask('POST', '/jobs', { document: divider })).json as StoredDocument<Job>;
  const edited = (resistance: number): Job => ({
    ...document,
    network: {
      elements: document.network.elements.map((one) => (one.kind === 'resistor' ? { ...one, resistance } : one)),
    },
  });
  await server.ask('PUT', `/jobs/${id}`, { revision: 1, document: edited(1000) });
  const refused = await server.ask('PUT', `/jobs/${id}`, { revision: 1, document: edited(2000) });
  expect(refused.status).toBe(409);
  const { current } = (refused.json as { error: { current: StoredDocument<Job> } }).error;
  expect([current.revision, current.document]).toEqual([2, edited(1000)]);
  // A reading on top of the former network, though, is joined with it.
  const read = await server.ask('PUT', `/jobs/${id}`, {
    revision: 1,
    document: takeReading(document, '6', '2026-11-27T09:00:00.000Z'),
  });
  const joined = (read.json as StoredDocument<Job>).document;
  expect([read.status, joined.network, joined.readings!.length]).toEqual([200, edited(1000).network, 1]);
});

test('two devices that read without end are joined up to the most that a job may have', async () => {
  const many = (from: number, count: number): Job => ({
    ...takeReading(divider, '1', '2026-11-27T09:00:00.000Z'),
    readings: Array.from({ length: count }, (_, k) => ({
      ...takeReading(divider, '1', `at ${from + k}`).readings![0]!,
      id: `M${k + 1}`,
    })),
  });
  const { id } = (await server.ask('POST', '/jobs', { document: divider })).json as StoredDocument<Job>;
  expect((await server.ask('PUT', `/jobs/${id}`, { revision: 1, document: many(0, 6000) })).status).toBe(200);
  expect((await server.ask('PUT', `/jobs/${id}`, { revision: 1, document: many(10_000, 6000) })).status).toBe(409);
  expect((await server.ask('GET', `/jobs/${id}`)).status).toBe(200);
});

test('fifty readings handed in at once on one revision are all there', async () => {
  const { id, document } = (await server.ask('POST', '/jobs', { document: divider })).json as StoredDocument<Job>;
  const answers = await Promise.all(
    Array.from({ length: 50 }, (_, k) =>
      server.ask('PUT', `/jobs/${id}`, {
        revision: 1,
        document: takeReading(document, String(k), `2026-11-27T09:00:00.0${String(k).padStart(2, '0')}Z`),
      }),
    ),
  );
  expect(answers.map(({ status }) => status)).toEqual(Array<number>(50).fill(200));
  const { readings } = ((await server.ask('GET', `/jobs/${id}`)).json as StoredDocument<Job>).document;
  expect(new Set(readings!.map((one) => one.observations[0]!.shown)).size).toBe(50);
  expect(readings!.map((one) => one.id)).toEqual(Array.from({ length: 50 }, (_, k) => `M${k + 1}`));
});
