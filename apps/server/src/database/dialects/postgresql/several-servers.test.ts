import type { History, JobSummary, SavedReadings, StoredDocument } from '@usual-drag/contract';
import { floatLevelDivider, type Job } from '@usual-drag/core/job';
import { Client } from 'pg';
import { takeReading } from '../../../../../../packages/core/src/test/take-reading.ts';
import { listen, until } from '../../../test/listen.ts';
import { newFolder, startServer, type RunningServer } from '../../../test/running-server.ts';
import { testDatabase } from '../../../test/test-database.ts';

const passphrase = 'brass lamp, wet rope';
const divider: Job = floatLevelDivider([]);
let servers: RunningServer[] = [];
let databaseUrl: string;
afterEach(() => Promise.all(servers.map((server) => server.stop())));

/** Starts two servers on a new database. */
async function startTwo(env: Readonly<Record<string, string>> = {}): Promise<[RunningServer, RunningServer]> {
  const database = await testDatabase(newFolder());
  databaseUrl = database.DATABASE_URL!;
  const two = await Promise.all([0, 1].map(() => startServer(newFolder(), { env: { ...database, ...env } })));
  servers = two;
  return two as [RunningServer, RunningServer];
}

const create = async (server: RunningServer): Promise<StoredDocument<Job>> =>
  (await server.ask('POST', '/jobs', { document: divider })).json;

test('a reading saved on one server is announced on the other one, with the reading', async () => {
  const [one, other] = await startTwo();
  const { id } = await create(one);
  const received = await listen(other, `jobs/${id}`);
  const [reading] = takeReading(divider, '1', '2026-12-01T09:00:00Z').readings!;
  const saved = (await one.ask('POST', `/jobs/${id}/readings`, { revision: 1, readings: [reading] }))
    .json as SavedReadings;
  await until(() => received.some(({ revision }) => revision === 2));
  expect(received.at(-1)).toEqual({
    kind: 'jobs',
    id,
    revision: 2,
    step: { updatedAt: saved.updatedAt, readings: saved.readings },
  });
});

test('a notification of another program on the same channel is ignored', async () => {
  const [one, other] = await startTwo();
  const { id } = await create(one);
  const received = await listen(other, `jobs/${id}`);
  const client = new Client({ connectionString: databaseUrl });
  await client.connect();
  for (const payload of ['', 'null', 'no JSON', '7', '{"from":7,"topic":"changes"}', '[]'])
    await client.query('select pg_notify($1, $2)', ['usual_drag', payload]);
  await client.end();
  await one.ask('PUT', `/jobs/${id}`, { revision: 1, document: { ...divider, title: 'Changed' } });
  await until(() => received.some(({ revision }) => revision === 2));
  expect(received.at(-1)).toMatchObject({ id, revision: 2 });
  expect((await other.ask('GET', '/health')).status).toBe(200);
});

test('a change that is too large for a message is announced without its readings', async () => {
  const [one, other] = await startTwo();
  const { id } = await create(one);
  const received = await listen(other, `jobs/${id}`);
  const [reading] = takeReading(divider, '1', '2026-12-01T09:00:00Z').readings!;
  const readings = [{ ...reading, note: 'ü'.repeat(1500) }];
  const many = [1, 2, 3].map((k) => ({ ...readings[0], id: `M${k}` }));
  const saved = await one.ask('POST', `/jobs/${id}/readings`, { revision: 1, readings: many });
  expect(saved.status).toBe(200);
  await until(() => received.some(({ revision }) => revision === 2));
  expect(received.at(-1)).toEqual({ kind: 'jobs', id, revision: 2 });
});

test('readings that are saved on both servers at once are all stored, once, each with its own revision', async () => {
  const servers = await startTwo();
  const { id } = await create(servers[0]);
  const count = 40;
  const take = async (server: RunningServer, by: string): Promise<void> => {
    for (let k = 0; k < count; k += 1) {
      const { revision, document } = (await server.ask('GET', `/jobs/${id}`)).json as StoredDocument<Job>;
      const job = takeReading(document, String(k), `2026-12-01T09:00:00.${100 + k}Z`);
      const reading = { ...job.readings!.at(-1)!, by };
      const saved = await server.ask('POST', `/jobs/${id}/readings`, { revision, readings: [reading] });
      expect(saved.status).toBe(200);
    }
  };
  await Promise.all([take(servers[0], 'A. Reed'), take(servers[0], 'B. Sims'), take(servers[1], 'C. Tate')]);
  const { revision, document } = (await servers[1].ask('GET', `/jobs/${id}`)).json as StoredDocument<Job>;
  const readings = document.readings!;
  expect(new Set(readings.map((reading) => reading.id)).size).toBe(3 * count);
  for (const by of ['A. Reed', 'B. Sims', 'C. Tate'])
    expect(readings.filter((reading) => reading.by === by).map(({ observations }) => observations[0]!.shown)).toEqual(
      Array.from({ length: count }, (_, k) => String(k)),
    );
  const revisions: number[] = [];
  for (let before: number | null | undefined; before !== null;) {
    const page = (await servers[0].ask('GET', `/history/jobs/${id}${before === undefined ? '' : `?before=${before}`}`))
      .json as History;
    revisions.push(...page.entries.map((entry) => entry.revision));
    before = page.before;
  }
  expect(revisions).toEqual(Array.from({ length: revision }, (_, k) => revision - k));
});

test('a job that one server archives or deletes is gone on the other one', async () => {
  const [one, other] = await startTwo();
  const [kept, gone] = [await create(one), await create(one)];
  const ids = async (): Promise<string[]> =>
    ((await other.ask('GET', '/jobs')).json as JobSummary[]).map(({ id }) => id);
  expect((await ids()).sort()).toEqual([kept.id, gone.id].sort());
  const list = await listen(other, 'jobs');
  expect((await one.ask('DELETE', `/jobs/${gone.id}`)).status).toBe(204);
  await until(() => list.length > 0);
  expect(await ids()).toEqual([kept.id]);
  const late = await other.ask('PUT', `/jobs/${gone.id}`, { revision: 1, document: { ...divider, title: 'Late' } });
  expect(late.status).toBe(404);
});

test('a device signs in on one server, is known on the other one, and is signed out on both', async () => {
  const [one, other] = await startTwo({ USUAL_DRAG_PASSPHRASE: passphrase });
  const signIn = async (): Promise<{ cookie: string }> => {
    const answer = await fetch(`${one.address}/sign-in`, {
      method: 'POST',
      redirect: 'manual',
      headers: { 'content-type': 'application/x-www-form-urlencoded' },
      body: new URLSearchParams({ passphrase, next: '/' }).toString(),
    });
    return { cookie: answer.headers.get('set-cookie')!.split(';')[0]! };
  };
  const status = async (server: RunningServer, cookie: { cookie: string }): Promise<number> =>
    (await server.ask('GET', '/jobs', undefined, cookie)).status;
  const [first, second, third] = [await signIn(), await signIn(), await signIn()];
  expect([await status(one, first), await status(other, first)]).toEqual([200, 200]);

  const headers = { ...first, 'content-type': 'application/json' };
  await fetch(`${one.address}/sign-out`, { method: 'POST', headers });
  for (let k = 0; k < 100 && (await status(other, first)) === 200; k += 1);
  expect([await status(one, first), await status(other, first), await status(other, second)]).toEqual([401, 401, 200]);

  expect((await other.ask('POST', '/devices/sign-out-everywhere', {}, second)).status).toBeLessThan(300);
  for (let k = 0; k < 100 && (await status(one, third)) === 200; k += 1);
  expect([await status(one, second), await status(one, third), await status(other, third)]).toEqual([401, 401, 401]);
  const fourth = await signIn();
  expect([await status(one, fourth), await status(other, fourth)]).toEqual([200, 200]);
});
