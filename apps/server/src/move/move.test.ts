import { spawnSync } from 'node:child_process';
import { resolve } from 'node:path';
import type { History, JobSummary, KeptAttempt, KeptSignature, Learner, StoredDocument } from '@usual-drag/contract';
import { floatLevelDivider, type Job } from '@usual-drag/core/job';
import { connect, databaseFile } from '../database/dialects/sqlite/open-sqlite.ts';
import { newFolder, startServer, type RunningServer } from '../test/running-server.ts';
import { testDatabase } from '../test/test-database.ts';

/** Runs the built command as a person does. */
function move(from: string, to: string) {
  const { status, stdout, stderr } = spawnSync(
    process.execPath,
    [resolve('apps/server/dist/launch.js'), 'move', '--from', from, '--to', to],
    { encoding: 'utf8' },
  );
  return { status, said: (stdout + stderr).trim() };
}

const onFile = (folder: string, demo = false) => startServer(folder, { demo, env: { DATABASE_URL: '' } });
const onServer = (url: string) => startServer(newFolder(), { env: { DATABASE_URL: url } });
const newDatabase = async (): Promise<string> => (await testDatabase(newFolder())).DATABASE_URL!;

/** Everything that a page can see. */
async function contents(server: RunningServer) {
  const get = async <T>(path: string): Promise<T> => (await server.ask('GET', path)).json;
  const jobs = await get<JobSummary[]>('/jobs');
  const learners = await get<Learner[]>('/practice/learners');
  return {
    jobs: jobs.map(({ id, revision, updatedAt, createdAt }) => ({ id, revision, updatedAt, createdAt })),
    documents: await Promise.all(jobs.map(({ id }) => get<StoredDocument<Job>>(`/jobs/${id}`))),
    histories: await Promise.all(jobs.map(({ id }) => get<History>(`/history/jobs/${id}`))),
    signatures: await Promise.all(jobs.map(({ id }) => get<KeptSignature[]>(`/jobs/${id}/signatures`))),
    instruments: await get('/instruments'),
    projects: await get('/meter-projects'),
    archived: (await get<JobSummary[]>('/jobs/archived')).map(({ id, archivedAt }) => ({ id, archivedAt })),
    learners,
    attempts: await Promise.all(
      learners.map(({ person }) => get<KeptAttempt[]>(`/practice/attempts?person=${encodeURIComponent(person)}`)),
    ),
  };
}

/** Adds what a day of work adds: a job with two versions, an archived one and a signature. */
async function work(server: RunningServer): Promise<void> {
  const document = floatLevelDivider([]);
  const create = async () => (await server.ask('POST', '/jobs', { document })).json as StoredDocument<Job>;
  const [kept, archived] = [await create(), await create()];
  const saved = await server.ask('PUT', `/jobs/${kept.id}`, { revision: 1, document: { ...document, title: 'Ωx' } });
  expect(saved.status).toBe(200);
  expect((await server.ask('DELETE', `/jobs/${archived.id}`)).status).toBe(204);
}

test('an installation moves to PostgreSQL and back: every answer is the same, and work goes on', async () => {
  const [folder, url, back] = [newFolder(), await newDatabase(), newFolder()];
  const first = await onFile(folder, true);
  await work(first);
  const before = await contents(first);
  await first.stop();
  expect(before.documents.length).toBeGreaterThan(3);
  expect(before.attempts.flat().length).toBeGreaterThan(10);

  const moved = move(folder, url);
  expect(moved).toEqual({
    status: 0,
    said: expect.stringMatching(/was copied to .*: \d+ jobs, .* Every row there has the same SHA-256\./) as string,
  });
  const second = await onServer(url);
  expect(await contents(second)).toEqual(before);
  // Numbers of rows continue.
  await work(second);
  const after = await contents(second);
  await second.stop();
  expect(after.jobs).toHaveLength(before.jobs.length + 1);

  expect(move(url, back)).toMatchObject({ status: 0 });
  const third = await onFile(back);
  expect(await contents(third)).toEqual(after);
  await work(third);
  await third.stop();
});

test('a place that is in use or has data is refused, and stays as it is', async () => {
  const [folder, url] = [newFolder(), await newDatabase()];
  const running = await onFile(folder);
  await work(running);
  expect(move(folder, url)).toMatchObject({ status: 1, said: expect.stringMatching(/^Another server/) as string });
  await running.stop();
  expect(move(folder, url)).toMatchObject({ status: 0 });
  expect(move(folder, url)).toMatchObject({
    status: 1,
    said: expect.stringMatching(/has data already\. Name a new folder, or an empty database\.$/) as string,
  });
  const server = await onServer(url);
  expect(move(url, newFolder())).toMatchObject({ status: 1, said: expect.stringMatching(/^A server uses /) as string });
  expect((await contents(server)).jobs).toHaveLength(1);
  await server.stop();
});

test('damaged JSON moves as it is; text that PostgreSQL cannot store is named, and nothing is moved', async () => {
  const [folder, url] = [newFolder(), await newDatabase()];
  const server = await onFile(folder);
  await work(server);
  const { id } = (await contents(server)).jobs[0]!;
  await server.stop();
  const damage = async (bytes: string | Uint8Array): Promise<void> => {
    const client = connect(databaseFile(folder));
    await client.execute({ sql: 'update jobs set document = ? where id = ?', args: [bytes, id] });
    client.close();
  };
  await damage(new Uint8Array([0xff, 0xfe, 0x80]));
  const refused = move(folder, url);
  expect(refused.status).toBe(1);
  expect(refused.said).toMatch(new RegExp(`^${folder} was not moved: .* is empty again\\.$`));
  await damage('{"format":"usual-drag/job","ver');
  expect(move(folder, url)).toMatchObject({ status: 0 });
  const after = await onServer(url);
  expect((await after.ask('GET', `/damaged/jobs/${id}`)).text).toBe('{"format":"usual-drag/job","ver');
  await after.stop();
});

test('a server does not start on an unfinished move, which can be repeated', async () => {
  const [folder, url] = [newFolder(), await newDatabase()];
  const server = await onFile(folder);
  await work(server);
  await server.stop();
  const target = newFolder();
  expect(move(folder, target)).toMatchObject({ status: 0 });
  const client = connect(databaseFile(target));
  await client.execute("insert into properties (name, value) values ('unfinished-move', 'now')");
  client.close();
  await expect(onFile(target)).rejects.toThrow(/was not finished\. Move it again: what is there is replaced\./);
  expect(move(target, url)).toMatchObject({ status: 1, said: expect.stringMatching(/was not finished\./) as string });
  expect(move(folder, target)).toMatchObject({ status: 0 });
  const again = await onFile(target);
  expect((await contents(again)).jobs).toHaveLength(1);
  await again.stop();
  expect(move(target, url)).toMatchObject({ status: 0 });
});
