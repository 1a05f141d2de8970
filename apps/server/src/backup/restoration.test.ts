import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { CheckedBackup, DocumentChange, JobSummary, KeptCopy, StoredDocument } from '@usual-drag/contract';
import { newJob, type Job } from '@usual-drag/core/job';
import { copyDatabase } from '../database/dialects/sqlite/copies.ts';
import { connect, migrateDatabase } from '../database/dialects/sqlite/open-sqlite.ts';
import { ChangedMeanwhile, changesSoFar, replaceContents } from '../database/dialects/sqlite/replace-contents.ts';
import { newFolder, startServer, type Answer, type RunningServer } from '../test/running-server.ts';
import { takeReading } from '../../../../packages/core/src/test/take-reading.ts';

let folder: string;
let server: RunningServer;
beforeEach(async () => {
  folder = newFolder();
  server = await startServer(folder);
});
afterEach(() => server.stop());

const download = async (): Promise<Buffer> =>
  Buffer.from(await (await fetch(`${server.address}/api/backup`)).arrayBuffer());
const check = (body: Buffer) =>
  fetch(`${server.address}/api/backup/check`, {
    method: 'POST',
    headers: { 'content-type': 'application/vnd.sqlite3' },
    body: new Uint8Array(body),
  });
const checked = async (body: Buffer): Promise<CheckedBackup> => (await (await check(body)).json()) as CheckedBackup;
const restore = (id: string): Promise<Answer> => server.ask('POST', `/backup/checked/${id}/restore`);
const add = async (title: string): Promise<StoredDocument<Job>> =>
  (await server.ask('POST', '/jobs', { document: newJob(title) })).json;
const save = (id: string, revision: number, title: string): Promise<Answer> =>
  server.ask('PUT', `/jobs/${id}`, { revision, document: newJob(title) });
const titles = async (): Promise<(string | null)[]> =>
  ((await server.ask('GET', '/jobs')).json as JobSummary[]).map(({ title }) => title).sort();
const read = async (id: string): Promise<StoredDocument<Job>> => (await server.ask('GET', `/jobs/${id}`)).json;

test('a checked backup reports its contents and the present ones, and replaces them', async () => {
  const kept = await add('Kept');
  await save(kept.id, 1, 'Kept, second version');
  await server.ask('PUT', '/instruments/mine', { document: { id: 'mine' } });
  const backup = await download();
  await add('Later');
  const { id, contents, present } = await checked(backup);
  expect(contents).toMatchObject({ jobs: 1, meterProjects: 0, signatures: 0, attempts: 0 });
  expect(present).toMatchObject({ jobs: 2, instruments: contents.instruments });
  expect(contents.changedAt! < present.changedAt!).toBe(true);
  expect(await titles()).toEqual(['Kept, second version', 'Later']);

  const { copy } = (await restore(id)).json as { copy: string };
  expect(await titles()).toEqual(['Kept, second version']);
  // A document that is as it was keeps its revision and its history.
  expect((await read(kept.id)).revision).toBe(2);
  expect((await server.ask('GET', `/history/jobs/${kept.id}`)).json).toMatchObject({
    entries: [{ revision: 2 }, { revision: 1 }],
  });
  expect((await restore(id)).status).toBe(404);
  expect(readdirSync(folder)).not.toContain('restoring');

  // What it replaced is among the copies, and is restored in the same way.
  const copies = (await server.ask('GET', '/backup/copies')).json as KeptCopy[];
  expect(copies[0]).toMatchObject({ name: copy, reason: 'before-restore' });
  const back = (await server.ask('POST', `/backup/copies/${copy}/check`)).json as CheckedBackup;
  expect(back.contents.jobs).toBe(2);
  expect((await restore(back.id)).status).toBe(200);
  expect(await titles()).toEqual(['Kept, second version', 'Later']);
});

test('an edit of a replaced job is not accepted as an edit of the restored one', async () => {
  const { id } = await add('First');
  const backup = await download();
  await save(id, 1, 'Second');
  const { id: backupId } = await checked(backup);
  await restore(backupId);
  expect(await read(id)).toMatchObject({ revision: 3, document: { title: 'First' } });
  // A page still has the second version open: its edit is asked about.
  expect((await save(id, 2, 'Second, edited')).status).toBe(409);
  expect((await save(id, 3, 'First, edited')).status).toBe(200);
});

test('a reading of a replaced job is not joined with the restored one', async () => {
  const { id } = await add('First');
  const backup = await download();
  await save(id, 1, 'Second');
  await restore((await checked(backup)).id);
  const { readings } = takeReading(newJob('First'), '6.36', '2026-11-27T09:00:00Z');
  const handIn = (revision: number) => server.ask('POST', `/jobs/${id}/readings`, { revision, readings });
  expect((await handIn(2)).status).toBe(409);
  expect((await handIn(3)).status).toBe(200);
});

test('each job and every list is announced to the pages', async () => {
  const { id } = await add('First');
  const backup = await download();
  await save(id, 1, 'Second');
  const heard: DocumentChange[] = [];
  const { body } = await fetch(`${server.address}/api/events`);
  const reader = body!.pipeThrough(new TextDecoderStream()).getReader();
  await restore((await checked(backup)).id);
  while (heard.length < 4) {
    const { value, done } = await reader.read();
    if (done) break;
    for (const [, data] of value.matchAll(/^data: (\{.*)$/gm)) heard.push(JSON.parse(data!) as DocumentChange);
  }
  expect(heard).toEqual([
    { kind: 'jobs', id, revision: 3 },
    ...['jobs', 'instruments', 'meter-projects'].map((kind) => ({ kind, id: null, revision: null })),
  ]);
  await reader.cancel();
});

test('a file that is not a sound backup is refused, and nothing changes', async () => {
  await add('Stays');
  const backup = await download();
  const changed = Buffer.from(backup);
  changed[Math.floor(backup.length / 2)]! ^= 1;
  for (const [bytes, words] of [
    [changed, /damaged/],
    [Buffer.from('no database '.repeat(1000)), /cannot be opened|no backup/],
    [Buffer.alloc(0), /no backup/],
  ] as const) {
    const refused = await check(bytes);
    expect([refused.status, await refused.text()]).toEqual([400, expect.stringMatching(words) as string]);
  }
  const typed = await server.ask('POST', '/backup/check', {});
  expect(typed.status).toBe(415);
  expect((await restore('none')).status).toBe(404);
  for (const name of ['nothing.sqlite', encodeURIComponent('../usual-drag.sqlite')])
    expect((await server.ask('POST', `/backup/copies/${name}/check`)).status).toBe(404);
  expect(await titles()).toEqual(['Stays']);
  expect(readdirSync(folder)).not.toContain('restoring');
});

test('a save that is confirmed while a backup is restored is in the copy or in the restored data', async () => {
  await add('Kept');
  const backup = await download();
  const { id } = await checked(backup);
  const confirmed: string[] = [];
  let isOver = false;
  const saving = (async () => {
    for (let k = 0; !isOver && k < 400; k += 1) {
      const { status } = await server.ask('POST', '/jobs', { document: newJob(`Saved ${k}`) });
      if (status === 201) confirmed.push(`Saved ${k}`);
      // Long enough for a copy to be made in between.
      await new Promise((later) => setTimeout(later, 150));
    }
  })();
  await new Promise((later) => setTimeout(later, 400));
  const restored = await restore(id);
  isOver = true;
  await saving;
  expect(restored.status).toBe(200);
  const present = await titles();
  const { copy } = restored.json as { copy: string };
  const back = (await server.ask('POST', `/backup/copies/${copy}/check`)).json as CheckedBackup;
  expect((await restore(back.id)).status).toBe(200);
  const former = await titles();
  expect(confirmed.length).toBeGreaterThan(2);
  expect(confirmed.filter((title) => !present.includes(title) && !former.includes(title))).toEqual([]);
});

test('nothing is replaced if anything was saved since the contents were copied', async () => {
  const file = join(newFolder(), 'present.sqlite');
  const client = connect(file);
  await migrateDatabase(client, file);
  const other = join(newFolder(), 'other.sqlite');
  const from = connect(other);
  await migrateDatabase(from, other);
  from.close();
  const changes = await changesSoFar(client);
  await client.execute("insert into properties values ('made-by', 'test')");
  await expect(replaceContents(client, other, changes)).rejects.toThrow(ChangedMeanwhile);
  expect((await client.execute("select value from properties where name = 'made-by'")).rows).toHaveLength(1);
  await replaceContents(client, other, await changesSoFar(client));
  expect((await client.execute("select value from properties where name = 'made-by'")).rows).toHaveLength(0);
  client.close();
});

test('an unfinished import in a backup is undone', async () => {
  const { id } = await add('Half imported');
  await add('Whole');
  await server.stop();
  const client = connect(join(folder, 'usual-drag.sqlite'));
  await client.execute({ sql: 'insert into properties values (?, ?)', args: ['import/x', JSON.stringify([id])] });
  const file = join(newFolder(), 'half.backup');
  await copyDatabase(client, file);
  client.close();
  server = await startServer(folder);
  await restore((await checked(readFileSync(file))).id);
  expect(await titles()).toEqual(['Whole']);
});

test('a restored database is there after a kill', async () => {
  await add('Kept');
  const backup = await download();
  await add('Later');
  await restore((await checked(backup)).id);
  await server.stop('SIGKILL');
  server = await startServer(folder);
  expect(await titles()).toEqual(['Kept']);
  expect(readFileSync(join(folder, 'usual-drag.sqlite')).length).toBeGreaterThan(0);
});

test('devices stay signed in', async () => {
  await server.stop();
  const env = { USUAL_DRAG_PASSPHRASE: 'four words of mine' };
  server = await startServer(folder, { env });
  const signIn = await fetch(`${server.address}/sign-in`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ passphrase: env.USUAL_DRAG_PASSPHRASE }),
    redirect: 'manual',
  });
  expect(signIn.status).toBeLessThan(400);
  const cookie = signIn.headers
    .getSetCookie()
    .map((one) => one.split(';')[0])
    .join('; ');
  const asked = (path: string, method = 'GET', type = 'application/json', body?: Uint8Array<ArrayBuffer>) =>
    fetch(`${server.address}/api${path}`, {
      method,
      headers: { cookie, ...(method !== 'GET' && { 'content-type': type }) },
      ...(body && { body }),
    });
  // Written by another installation, whose devices are none of this one's.
  const other = await startServer(newFolder());
  const foreign = new Uint8Array(await (await fetch(`${other.address}/api/backup`)).arrayBuffer());
  await other.stop();
  const { id } = (await (
    await asked('/backup/check', 'POST', 'application/vnd.sqlite3', foreign)
  ).json()) as CheckedBackup;
  expect((await asked(`/backup/checked/${id}/restore`, 'POST')).status).toBe(200);
  await server.stop();
  server = await startServer(folder, { env });
  expect((await asked('/jobs')).status).toBe(200);
});
