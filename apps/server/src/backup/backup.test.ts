import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import type { JobSummary, StoredDocument } from '@usual-drag/contract';
import { newJob, type Job } from '@usual-drag/core';
import { newFolder, startServer, type RunningServer } from '../test/running-server.ts';

function maintain(folder: string, ...args: string[]) {
  const { status, stdout, stderr } = spawnSync(
    process.execPath,
    [resolve('apps/server/dist/maintenance.js'), ...args],
    { env: { ...process.env, USUAL_DRAG_DATA: folder }, encoding: 'utf8' },
  );
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
  expect(maintain(folder, 'backup')).toMatchObject({ status: 1, said: 'Name a file: npm run backup -- FILE' });
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
  expect(await taken.json()).toEqual({ imported: 5 });
  expect(await titles(empty)).toEqual(await titles(server));
  expect((await send('no archive')).status).toBe(400);
  expect((await send(new ArrayBuffer(0))).status).toBe(400);
  expect(await titles(empty)).toHaveLength(5);
  await server.stop();
  await empty.stop();
});
