import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { checkDraft, type StoredDocument } from '@usual-drag/contract';
import { newJob, type Job } from '@usual-drag/core/job';
import { sampleMeterProjects } from '../../../demo/sample-meter-projects.ts';
import { newFolder, startServer, type Answer, type RunningServer } from '../../../test/running-server.ts';
import { mountSmallDisk } from '../../../test/small-disk.ts';
import { connect, openSqlite } from './open-sqlite.ts';
import { DocumentRepository } from '../../document-repository.ts';
import { jobs as table } from '../../schema.ts';
import { storageFailureOf } from '../../storage-failure.ts';

const bulky = (title: string): Job => ({
  ...newJob(title),
  network: {
    elements: Array.from({ length: 300 }, (_, k) => ({
      id: `R${k}`,
      kind: 'resistor' as const,
      from: `N${k}`,
      to: `N${k + 1}`,
      resistance: 1000 + k,
      label: 'x'.repeat(40),
    })),
  },
});

const disk = mountSmallDisk(1024);
const onSmallDisk = disk ? describe : describe.skip;

onSmallDisk('a disk of one megabyte', () => {
  let server: RunningServer;
  beforeAll(async () => {
    server = await startServer(join(disk!.folder, 'data'));
  });
  afterAll(async () => {
    await server.stop('SIGKILL');
    disk!.unmount();
  });

  const wantsRoom = ({ status, text }: Answer): void => {
    expect(status).toBe(507);
    expect(text).toContain('the disk is full');
    expect(text).not.toMatch(/\n\s+at /);
  };

  test('what was answered as created is there, the rest is refused in words', async () => {
    const created: StoredDocument<Job>[] = [];
    let full: Answer | null = null;
    for (let k = 0; k < 60 && !full; k += 1) {
      const answer = await server.ask('POST', '/jobs', { document: bulky(`Job ${k}`) });
      if (answer.status === 201) created.push(answer.json);
      else full = answer;
    }
    expect(created.length).toBeGreaterThan(2);
    wantsRoom(full!);
    for (const { id, document } of created)
      expect((await server.ask('GET', `/jobs/${id}`)).json).toMatchObject({ document });
    // Saves of what is there, of every kind, are refused as well, and what was stored stays.
    const [job] = created as [StoredDocument<Job>];
    const edited = { ...job.document, title: 'Edited' };
    const saves = await Promise.all(
      Array.from({ length: 20 }, () => server.ask('PUT', `/jobs/${job.id}`, { revision: 1, document: edited })),
    );
    for (const save of saves) if (save.status !== 409) wantsRoom(save);
    expect((await server.ask('GET', `/jobs/${job.id}`)).json).toMatchObject({ revision: 1, document: job.document });
    const notes = 'x'.repeat(9000);
    for (let k = 0; k < 30; k += 1) {
      const saved = await server.ask('PUT', `/instruments/i${k}`, { document: { id: `i${k}`, notes } });
      if (saved.status !== 200) wantsRoom(saved);
      else expect((await server.ask('GET', '/instruments')).text).toContain(`"id":"i${k}"`);
      const project = { ...sampleMeterProjects[0], id: `p${k}` };
      const kept = await server.ask('PUT', `/meter-projects/p${k}`, { document: project });
      if (kept.status !== 200) wantsRoom(kept);
      else expect((await server.ask('GET', '/meter-projects')).text).toContain(`"id":"p${k}"`);
    }
    expect((await server.ask('GET', '/health')).json).toEqual({
      status: 'ready',
      engine: 'SQLite',
      warnings: [
        { about: 'disk-space', message: expect.stringContaining('Only 0 MB are free on the disk of') as string },
      ],
    });
    // Each refusal has a line of the log with time, request and reason; and no stack trace.
    const lines = server
      .output()
      .split('\n')
      .filter((line) => line.includes('the disk is full'));
    expect(lines.length).toBeGreaterThan(10);
    expect(lines[0]).toMatch(/^\S+T\S+Z error \S{8} (POST|PUT) \/api\/\S+ the disk is full \(/);
    expect(server.output()).not.toMatch(/\n\s+at |"title"/);
    // The list of jobs needs no room.
    expect((await server.ask('GET', '/jobs')).status).toBe(200);
    // As soon as there is room again, saves are taken again.
    disk!.grow(8192);
    expect((await server.ask('PUT', `/jobs/${job.id}`, { revision: 1, document: edited })).status).toBe(200);
    expect((await server.ask('GET', `/jobs/${job.id}`)).json).toMatchObject({ revision: 2, document: edited });
  });
});

// The same without a disk of one's own: the database itself is not allowed to grow.
test('a database that cannot grow refuses to save, and keeps what it had', async () => {
  const { database, file, close } = await openSqlite(newFolder());
  const jobs = new DocumentRepository(database, 'jobs', table, checkDraft);
  const first = (await jobs.insert('a', bulky('first')))!;
  await file!.client.execute('pragma max_page_count = 1');
  const failures: unknown[] = [];
  let revision = first.revision;
  for (let k = 0; k < 40; k += 1)
    await jobs.replace('a', revision, bulky(`edit ${k}`)).then(
      (saved) => {
        revision = saved!.revision;
      },
      (error: unknown) => failures.push(error),
    );
  expect(failures.length).toBeGreaterThan(0);
  expect(failures.map(storageFailureOf)).toContainEqual(expect.objectContaining({ status: 507 }));
  expect((await jobs.find('a'))!.revision).toBe(revision);
  await close();
});

test('another program’s lock is answered in words, and the save works once it is gone', async () => {
  const folder = newFolder();
  const server = await startServer(folder);
  const made = (await server.ask('POST', '/jobs', { document: newJob('Locked out') })).json as StoredDocument<Job>;
  const other = connect(join(folder, 'usual-drag.sqlite'));
  const held = await other.transaction('write');
  const refused = await server.ask('PUT', `/jobs/${made.id}`, { revision: 1, document: made.document });
  expect(refused.status).toBe(503);
  expect(refused.text).toContain('another program has locked the database');
  await held.rollback();
  other.close();
  expect((await server.ask('PUT', `/jobs/${made.id}`, { revision: 1, document: made.document })).status).toBe(200);
  await server.stop();
});

test('codes of the database and of the disk are told from faults of the program', () => {
  const coded = (code: string, cause?: unknown) => Object.assign(new Error(code, { cause }), { code });
  expect(storageFailureOf(new Error('outer', { cause: coded('SQLITE_FULL') }))).toMatchObject({ status: 507 });
  for (const code of [
    'SQLITE_IOERR',
    'SQLITE_BUSY',
    'SQLITE_READONLY',
    'SQLITE_CORRUPT',
    'SQLITE_CANTOPEN',
    'SQLITE_AUTH',
  ])
    expect(storageFailureOf(coded(code))).toMatchObject({ status: 503 });
  expect(storageFailureOf(new TypeError('x is not a function'))).toBeNull();
  expect(storageFailureOf(coded('ECONNRESET'))).toBeNull();
  expect(storageFailureOf('a text')).toBeNull();
});

test('a folder that is a file cannot be used', async () => {
  const folder = newFolder();
  mkdirSync(folder, { recursive: true });
  writeFileSync(join(folder, 'file'), '');
  await expect(openSqlite(join(folder, 'file'))).rejects.toThrow(/cannot be used: .* USUAL_DRAG_DATA\.$/);
});
