import { spawnSync } from 'node:child_process';
import { copyFileSync, existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { createServer, type AddressInfo } from 'node:net';
import { once } from 'node:events';
import { join } from 'node:path';
import { checkDraft, type JobSummary, type StoredDocument } from '@usual-drag/contract';
import { newJob, type Job } from '@usual-drag/core/job';
import { newFolder, serverFile, startServer } from '../../../test/running-server.ts';
import { mountSmallDisk } from '../../../test/small-disk.ts';
import { automaticCopies } from './copies.ts';
import { connect, openSqlite } from './open-sqlite.ts';
import { DocumentRepository } from '../../document-repository.ts';
import { jobs } from '../../schema.ts';

/** Message and status of a start that fails. */
function failedStart(folder: string, env: NodeJS.ProcessEnv = {}) {
  const { status, stdout, stderr } = spawnSync(process.execPath, [serverFile()], {
    env: { ...process.env, PORT: '0', USUAL_DRAG_DATA: folder, ...env },
    encoding: 'utf8',
    timeout: 20_000,
  });
  return { status, said: (stdout + stderr).trim() };
}

/** One sentence or two, no stack trace, and status 1. */
function expectSentence({ status, said }: ReturnType<typeof failedStart>, ...words: RegExp[]): void {
  expect(said.split('\n')).toHaveLength(1);
  expect(said).not.toMatch(/\bat .*\.js|Error:/);
  for (const word of words) expect(said).toMatch(word);
  expect(status).toBe(1);
}

async function usedFolder(): Promise<string> {
  const folder = newFolder();
  const server = await startServer(folder);
  await server.ask('POST', '/jobs', { document: newJob('Kept') });
  await server.stop();
  return folder;
}

const fileOf = (folder: string): string => join(folder, 'usual-drag.sqlite');

async function change(folder: string, ...statements: string[]): Promise<void> {
  const client = connect(fileOf(folder));
  for (const statement of statements) await client.execute(statement);
  await client.execute('pragma wal_checkpoint(truncate)');
  client.close();
}

test('a bad port is named', () => expectSentence(failedStart(newFolder(), { PORT: 'high' }), /PORT/, /high/));

test('a port in use is named, with what to do', async () => {
  const other = createServer().listen(0, '127.0.0.1');
  await once(other, 'listening');
  const { port } = other.address() as AddressInfo;
  expectSentence(failedStart(newFolder(), { PORT: String(port) }), new RegExp(`Port ${port} is in use`), /PORT=/);
  other.close();
});

test('a second server on one folder is refused; after a crash the folder is free', async () => {
  const folder = newFolder();
  const first = await startServer(folder);
  expectSentence(failedStart(folder), /Another server/, new RegExp(folder));
  await first.stop('SIGKILL');
  await (await startServer(folder)).stop();
});

test.each([
  ['is no database at all', (file: string) => writeFileSync(file, 'not a database, not at all. '.repeat(200))],
  [
    'has been written over in the middle',
    (file: string) => {
      const bytes = readFileSync(file);
      bytes.fill(0xa5, 5000, bytes.length - 2000);
      writeFileSync(file, bytes);
    },
  ],
  ['was cut off', (file: string) => writeFileSync(file, readFileSync(file).subarray(0, 9000))],
])('a database that %s is named, with the way back, and left as it is', async (_, damage) => {
  const folder = await usedFolder();
  damage(fileOf(folder));
  const before = readFileSync(fileOf(folder));
  expectSentence(failedStart(folder), /usual-drag\.sqlite/, /damaged/, /npm run restore/);
  expect(readFileSync(fileOf(folder)).equals(before)).toBe(true);
});

test('a database of another program is left alone', async () => {
  const folder = newFolder();
  await change(folder, 'create table recipes (name text)');
  expectSentence(failedStart(folder), /is not a database of Usual Drag/);
});

test('a newer database is never written to, its log included', async () => {
  const folder = await usedFolder();
  const client = connect(fileOf(folder));
  await client.execute("insert into __drizzle_migrations (hash, created_at) values ('x', 9999999999999)");
  // As after a crash: the newest is in the log only.
  const crashed = newFolder();
  mkdirSync(crashed, { recursive: true });
  for (const end of ['', '-wal']) copyFileSync(fileOf(folder) + end, fileOf(crashed) + end);
  client.close();
  const before = ['', '-wal'].map((end) => readFileSync(fileOf(crashed) + end));
  expect(before[1]!.length).toBeGreaterThan(0);
  expectSentence(failedStart(crashed), /newer version/);
  ['', '-wal'].forEach((end, at) => expect(readFileSync(fileOf(crashed) + end).equals(before[at]!)).toBe(true));
});

test('a database that another program has locked is named', async () => {
  const folder = await usedFolder();
  const other = connect(fileOf(folder));
  await other.execute('pragma locking_mode = exclusive');
  const held = await other.transaction('write');
  await held.execute("insert into properties values ('x', 'y')");
  expectSentence(failedStart(folder), /locked/, /usual-drag\.sqlite/);
  await held.rollback();
  other.close();
});

const disk = mountSmallDisk(600);
(disk ? test : test.skip)('a full disk is named', () => {
  mkdirSync(join(disk!.folder, 'data'));
  writeFileSync(join(disk!.folder, 'filler'), Buffer.alloc(590 * 1024));
  expectSentence(failedStart(join(disk!.folder, 'data')), /disk is full|disk reports an error|cannot be opened/);
  disk!.unmount();
});

test('it starts from a path with spaces, umlauts and signs, migrations and page included', async () => {
  const folder = join(newFolder(), 'Prüf stand #1 100%?');
  const server = await startServer(folder);
  expect((await server.ask('GET', '/jobs')).json).toEqual([]);
  await server.stop();
  expect(existsSync(fileOf(folder))).toBe(true);
});

test('a database of an earlier version opens with all that was in it, and a copy of it is kept first', async () => {
  const folder = newFolder();
  mkdirSync(folder, { recursive: true });
  const client = connect(fileOf(folder));
  const migrations = join(process.cwd(), 'apps/server/src/database/dialects/sqlite/migrations');
  const journal = JSON.parse(readFileSync(join(migrations, 'meta/_journal.json'), 'utf8')) as {
    entries: { tag: string; when: number }[];
  };
  await client.execute(
    'create table __drizzle_migrations (id serial primary key, hash text not null, created_at numeric)',
  );
  for (const { tag, when } of journal.entries.slice(0, 3)) {
    await client.executeMultiple(readFileSync(join(migrations, `${tag}.sql`), 'utf8'));
    await client.execute({
      sql: 'insert into __drizzle_migrations (hash, created_at) values (?, ?)',
      args: [tag, when],
    });
  }
  const job = newJob('From before');
  const at = '2026-11-01T08:00:00.000Z';
  await client.execute({
    sql: "insert into jobs values ('a', 7, ?, ?, ?, null), ('b', 1, ?, ?, ?, ?)",
    args: [JSON.stringify(job), at, at, JSON.stringify(newJob('Deleted before')), at, at, at],
  });
  await client.execute({
    sql: "insert into instruments (id, position, document, revision) values ('mine', 9, ?, 2), ('yours', 8, ?, 1)",
    args: [JSON.stringify({ id: 'mine' }), JSON.stringify({ id: 'yours' })],
  });
  client.close();
  const server = await startServer(folder);
  const [summary] = (await server.ask('GET', '/jobs')).json as [JobSummary];
  expect(summary).toMatchObject({ id: 'a', revision: 7, updatedAt: at, title: 'From before' });
  expect((await server.ask('GET', '/jobs/archived')).json).toMatchObject([{ id: 'b', title: 'Deleted before' }]);
  const kit = (await server.ask('GET', '/instruments')).json as StoredDocument<Job>[];
  expect(kit.map(({ id }) => id).slice(0, 2)).toEqual(['yours', 'mine']);
  await server.stop();
  expect(readdirSync(join(folder, 'copies')).filter((name) => name.endsWith('-migration.sqlite'))).toHaveLength(1);
});

test('a copy is kept at each start that has something new, the last seven of them', async () => {
  const folder = newFolder();
  const copies = () => readdirSync(join(folder, 'copies'));
  const start = async (title?: string): Promise<void> => {
    const { database, close } = await openSqlite(folder);
    const repository = new DocumentRepository(database, 'jobs', jobs, checkDraft);
    if (title) await repository.insert(title, newJob(title));
    await close();
  };
  mkdirSync(join(folder, 'copies'), { recursive: true });
  writeFileSync(join(folder, 'copies', '2026-01-01-before-restore.sqlite'), 'put aside');
  for (let round = 0; round < 10; round += 1) await start(`round-${round}`);
  // What was put aside by a restore is no automatic copy, and stays.
  expect(copies()).toHaveLength(7 + 1);
  expect(copies()).toContain('2026-01-01-before-restore.sqlite');
  await start();
  const before = copies();
  for (let round = 0; round < 3; round += 1) await start();
  expect(copies()).toEqual(before);
});

test('a database of 0 bytes beside copies is not begun anew: the copies are named', async () => {
  const folder = await usedFolder();
  await (await startServer(folder)).stop();
  const [copy] = readdirSync(join(folder, 'copies'));
  writeFileSync(fileOf(folder), '');
  expectSentence(failedStart(folder), /is empty \(0 bytes\)/, new RegExp(copy!), /npm run restore -- /);
  expect(statSync(fileOf(folder)).size).toBe(0);
});

test('a database that lacks a table, or has another in its place, is named as damaged', async () => {
  const lacking = await usedFolder();
  await change(lacking, 'drop table attempts');
  expectSentence(failedStart(lacking), /attempts/, /npm run restore/);
  const other = await usedFolder();
  await change(other, 'drop table properties', 'create table properties (name text primary key, value integer)');
  expectSentence(failedStart(other), /properties/);
});

test('a lock file with anything in it is used all the same', async () => {
  const folder = await usedFolder();
  for (const text of ['garbage', 'x'.repeat(9000)]) {
    writeFileSync(join(folder, 'usual-drag.lock'), text);
    const server = await startServer(folder);
    expectSentence(failedStart(folder), /Another server is using/);
    await server.stop();
  }
});

test('copies are in order by number, whatever the clock says', async () => {
  const folder = newFolder();
  const copies = join(folder, 'copies');
  mkdirSync(copies, { recursive: true });
  // Of a clock that was far ahead; and one of before copies were numbered.
  writeFileSync(join(copies, '000041-2031-01-01T00-00-00-000Z-start.sqlite'), 'ahead');
  writeFileSync(join(copies, '2026-01-01T00-00-00-000Z-start.sqlite'), 'before');
  for (let round = 0; round < 8; round += 1) {
    const { database, close } = await openSqlite(folder);
    await new DocumentRepository(database, 'jobs', jobs, checkDraft).insert(`r${round}`, newJob(`r${round}`));
    await close();
  }
  const numbers = automaticCopies(folder).map((name) => Number(/^\d+/.exec(name)![0]));
  expect(numbers).toEqual([42, 43, 44, 45, 46, 47, 48]);
});

test.each([
  ['', 'a certificate that is none', /must name a certificate/],
  ['weak', 'a key that is too short to be used', /cannot be used to serve/],
])('%s%s is said', (kind, _, words) => {
  const file = (name: string): string => join(process.cwd(), 'apps/server/src/test', name);
  const garbage = join(newFolder(), 'garbage.pem');
  writeFileSync(garbage, 'garbage');
  const tls =
    kind === 'weak'
      ? { TLS_CERT: file('weak.cert.pem'), TLS_KEY: file('weak.key.pem') }
      : { TLS_CERT: garbage, TLS_KEY: garbage };
  expectSentence(failedStart(newFolder(), tls), words);
});
