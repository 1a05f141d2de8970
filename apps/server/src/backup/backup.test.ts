import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import type { JobSummary, StoredDocument } from '@usual-drag/contract';
import { newJob, type Job } from '@usual-drag/core/job';
import { connect } from '../database/dialects/sqlite/open-sqlite.ts';
import { restore } from './restore.ts';
import { demoJobs } from '../demo/demo-jobs.ts';
import { newFolder, startServer, type RunningServer } from '../test/running-server.ts';

function maintain(folder: string, ...args: string[]) {
  const { status, stdout, stderr } = spawnSync(process.execPath, [resolve('apps/server/dist/launch.js'), ...args], {
    env: { ...process.env, USUAL_DRAG_DATA: folder },
    encoding: 'utf8',
  });
  return { status, said: (stdout + stderr).trim() };
}

const titles = async (server: RunningServer): Promise<(string | null)[]> =>
  ((await server.ask('GET', '/jobs')).json as JobSummary[]).map(({ title }) => title).sort();
const add = async (server: RunningServer, title: string): Promise<StoredDocument<Job>> =>
  (await server.ask('POST', '/jobs', { document: newJob(title) })).json;

test('everything is backed up from the running server, restored, and what was replaced is kept', async () => {
  const [folder, elsewhere] = [newFolder(), newFolder()];
  const file = join(newFolder(), 'all.backup');
  const server = await startServer(folder);
  const kept = await add(server, 'Kept');
  await server.ask('PUT', `/jobs/${kept.id}`, { revision: 1, document: { ...kept.document, title: 'Kept, mended' } });
  expect(maintain(folder, 'backup', file)).toEqual({ status: 0, said: expect.stringContaining('1 jobs') as string });
  expect(maintain(folder, 'backup', file)).toMatchObject({
    status: 1,
    said: expect.stringContaining('there already') as string,
  });

  // Not while a server holds the folder.
  await add(server, 'Later');
  expect(maintain(folder, 'restore', file)).toMatchObject({
    status: 1,
    said: expect.stringContaining('Another server') as string,
  });
  expect(await titles(server)).toEqual(['Kept, mended', 'Later']);
  await server.stop();

  expect(maintain(folder, 'restore', file).status).toBe(0);
  const back = await startServer(folder);
  expect(await titles(back)).toEqual(['Kept, mended']);
  expect((await back.ask('GET', `/history/jobs/${kept.id}`)).json).toMatchObject({
    entries: [{ revision: 2 }, { revision: 1 }],
  });
  await back.stop();
  const replaced = readdirSync(join(folder, 'copies')).find((name) => name.includes('before-restore'))!;
  expect(maintain(elsewhere, 'restore', join(folder, 'copies', replaced)).status).toBe(0);
  const other = await startServer(elsewhere);
  expect(await titles(other)).toEqual(['Kept, mended', 'Later']);
  await other.stop();
});

test('the page’s button downloads the same', async () => {
  const [folder, elsewhere] = [newFolder(), newFolder()];
  const server = await startServer(folder);
  await add(server, 'By the button');
  const response = await fetch(`${server.address}/api/backup`);
  expect(response.headers.get('content-disposition')).toMatch(/^attachment; filename="usual-drag-.*\.backup"$/);
  const file = join(newFolder(), 'button.backup');
  writeFileSync(file, Buffer.from(await response.arrayBuffer()));
  await server.stop();
  expect(maintain(elsewhere, 'restore', file).status).toBe(0);
  const other = await startServer(elsewhere);
  expect(await titles(other)).toEqual(['By the button']);
  await other.stop();
});

test('what is no sound backup is not restored, and what is there stays', async () => {
  const folder = newFolder();
  const server = await startServer(folder);
  await add(server, 'Stays');
  await server.stop();
  const before = readFileSync(join(folder, 'usual-drag.sqlite'));
  const bad = join(newFolder(), 'bad');
  writeFileSync(bad, 'no database '.repeat(1000));
  for (const file of [bad, join(folder, 'nowhere')]) {
    const { status, said } = maintain(folder, 'restore', file);
    expect(status).toBe(1);
    expect(said.split('\n')).toHaveLength(1);
  }
  expect(readFileSync(join(folder, 'usual-drag.sqlite')).equals(before)).toBe(true);
  expect(existsSync(join(folder, 'restoring.sqlite'))).toBe(false);
  expect(maintain(folder, 'backup')).toMatchObject({
    status: 1,
    said: 'Give the name of the file.\nUsage: npm run backup -- FILE [--data FOLDER] [--demo]',
  });
  expect(maintain(newFolder(), 'backup', bad).said).toContain('There is no database');
});

test('all jobs go out as open files in one archive, and back', async () => {
  const server = await startServer(newFolder(), { demo: true });
  const archive = await fetch(`${server.address}/api/jobs/export`);
  const bytes = await archive.arrayBuffer();
  const empty = await startServer(newFolder());
  const send = (body: ArrayBuffer | string) =>
    fetch(`${empty.address}/api/jobs/import-archive`, {
      method: 'POST',
      headers: { 'content-type': 'application/zip' },
      body,
    });
  const taken = await send(bytes);
  expect(taken.status).toBe(201);
  expect(await taken.json()).toEqual({ imported: demoJobs.length });
  expect(await titles(empty)).toEqual(await titles(server));
  expect((await send('no archive')).status).toBe(400);
  expect((await send(new ArrayBuffer(0))).status).toBe(400);
  expect(await titles(empty)).toHaveLength(demoJobs.length);
  await server.stop();
  await empty.stop();
});

test('a backup with any bit changed is not restored', async () => {
  const folder = newFolder();
  const server = await startServer(folder);
  await add(server, 'Kept');
  await server.stop();
  const good = join(newFolder(), 'good.backup');
  expect(maintain(folder, 'backup', good).status).toBe(0);
  const bytes = readFileSync(good);
  const before = readFileSync(join(folder, 'usual-drag.sqlite'));
  const bad = join(newFolder(), 'bad.backup');
  // Evenly spread over the file: header, tables, texts, free space.
  const tried = 40;
  for (let k = 0; k < tried; k += 1) {
    const changed = Buffer.from(bytes);
    const bit = Math.floor(((k + 0.37) / tried) * bytes.length * 8);
    changed[bit >> 3]! ^= 1 << (bit & 7);
    writeFileSync(bad, changed);
    await expect(restore(folder, bad)).rejects.toThrow(/was not restored\.$/);
  }
  expect(readFileSync(join(folder, 'usual-drag.sqlite')).equals(before)).toBe(true);
  expect(maintain(folder, 'restore', good).status).toBe(0);
});

test('a backup without its tables, or without a checksum, is not restored', async () => {
  const folder = newFolder();
  const server = await startServer(folder);
  await add(server, 'Stays');
  await server.stop();
  for (const [statement, words] of [
    ['drop table jobs', 'do not match its checksum'],
    ["delete from properties where name = 'copy-checksum'", 'has no checksum'],
  ] as const) {
    const file = join(newFolder(), 'changed.backup');
    expect(maintain(folder, 'backup', file).status).toBe(0);
    const client = connect(file);
    await client.executeMultiple(statement);
    client.close();
    const { status, said } = maintain(folder, 'restore', file);
    expect([status, said]).toEqual([1, expect.stringContaining(words)]);
  }
  // One that an earlier version wrote has no checksum: its tables are compared all the same.
  const old = join(newFolder(), 'old.backup');
  expect(maintain(folder, 'backup', old).status).toBe(0);
  const client = connect(old);
  await client.executeMultiple(
    "delete from properties where name = 'copy-checksum'; drop table job_summaries; alter table signatures drop column seal;" +
      'drop table order_sequences; alter table signatures drop column signed_order;' +
      'delete from __drizzle_migrations where created_at in (select created_at from __drizzle_migrations order by created_at desc limit 2);' +
      'drop table attempts',
  );
  client.close();
  expect(maintain(folder, 'restore', old)).toEqual({ status: 1, said: expect.stringContaining('attempts') as string });
  const again = await startServer(folder);
  expect(await titles(again)).toEqual(['Stays']);
  await again.stop();
});

test('a document that contains the words of a checksum is backed up and restored unchanged', async () => {
  const folder = newFolder();
  const server = await startServer(folder);
  const notes = `copy-checksum${'0'.repeat(64)}`;
  const document: Job = { ...newJob('Notes'), version: 2, record: { notes } };
  const { id } = (await server.ask('POST', '/jobs', { document })).json as StoredDocument<Job>;
  await server.stop();
  const file = join(newFolder(), 'notes.backup');
  expect(maintain(folder, 'backup', file).status).toBe(0);
  expect(maintain(folder, 'restore', file).status).toBe(0);
  const again = await startServer(folder);
  expect(((await again.ask('GET', `/jobs/${id}`)).json as StoredDocument<Job>).document).toEqual(document);
  await again.stop();
});

test('a folder, a device or a pipe is no backup, and is not waited for', () => {
  const pipe = join(newFolder(), 'pipe');
  expect(spawnSync('mkfifo', [pipe]).status).toBe(0);
  for (const file of [newFolder(), '/dev/zero', pipe])
    expect(maintain(newFolder(), 'restore', file)).toEqual({
      status: 1,
      said: `${file} is not a file. Name the file of a backup.`,
    });
});

test('database, copies and backups are for their owner alone, and a backup leaves nothing outside the folder', async () => {
  const folder = newFolder();
  const server = await startServer(folder);
  await add(server, 'Mine');
  const file = join(newFolder(), 'mine.backup');
  expect(maintain(folder, 'backup', file).status).toBe(0);
  const outside = readdirSync(tmpdir()).filter((name) => name.startsWith('usual-drag') && name.includes('.sqlite'));
  expect((await fetch(`${server.address}/api/backup`)).status).toBe(200);
  await server.stop();
  const again = await startServer(folder);
  await again.stop();
  const modes = (at: string): [string, number][] =>
    readdirSync(at, { recursive: true, withFileTypes: true })
      .filter((one) => one.isFile())
      .map((one) => [one.name, statSync(join(one.parentPath, one.name)).mode & 0o777]);
  const found = modes(folder);
  expect(found.length).toBeGreaterThan(2);
  expect(found.filter(([, mode]) => mode !== 0o600)).toEqual([]);
  expect(statSync(file).mode & 0o777).toBe(0o600);
  expect(readdirSync(folder).filter((name) => name.startsWith('sending'))).toEqual([]);
  expect(readdirSync(tmpdir()).filter((name) => name.startsWith('usual-drag') && name.includes('.sqlite'))).toEqual(
    outside,
  );
});

test('an archive with a changed bit imports nothing; one that is half written at a kill is taken back', async () => {
  const folder = newFolder();
  const server = await startServer(folder);
  await add(server, 'One');
  const archive = Buffer.from(await (await fetch(`${server.address}/api/jobs/export?part=1`)).arrayBuffer());
  expect((await server.ask('GET', '/jobs/export-parts')).json).toEqual({ parts: 1 });
  expect((await server.ask('GET', '/jobs/export?part=2')).status).toBe(400);
  archive[60]! ^= 1;
  const answer = await fetch(`${server.address}/api/jobs/import-archive`, {
    method: 'POST',
    headers: { 'content-type': 'application/zip' },
    body: archive,
  });
  expect([answer.status, await answer.text()]).toEqual([400, expect.stringContaining('is damaged')]);
  expect(await titles(server)).toEqual(['One']);
  const { id, document } = await add(server, 'Half');
  await server.stop();
  // As a kill in the middle of an import leaves it: the jobs that were written, and the list of all of them.
  const client = connect(join(folder, 'usual-drag.sqlite'));
  await client.execute({
    sql: 'insert into properties values (?, ?)',
    args: ['import/x', JSON.stringify([id, 'never written'])],
  });
  client.close();
  expect(document.title).toBe('Half');
  const again = await startServer(folder);
  expect(await titles(again)).toEqual(['One']);
  await again.stop();
});
