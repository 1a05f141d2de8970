import { mkdirSync, readdirSync, readFileSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { connect as connectSocket } from 'node:net';
import { join } from 'node:path';
import type { AboutAnswer, HealthAnswer } from '@usual-drag/contract';
import { newJob } from '@usual-drag/core/job';
import { connect } from '../database/dialects/sqlite/open-sqlite.ts';
import { newFolder, startServer, type RunningServer } from '../test/running-server.ts';
import { spaceWarning } from './free-space.ts';
import { copiesState } from './copy-schedule.ts';

let server: RunningServer;
afterEach(() => server?.stop());

/** Asks again and again until an answer is as it should be; the last one otherwise. */
async function eventually<T>(ask: () => Promise<T>, holds: (answer: T) => boolean): Promise<T> {
  for (let k = 0; ; k += 1) {
    const answer = await ask();
    if (holds(answer) || k === 200) return answer;
    await new Promise((later) => setTimeout(later, 25));
  }
}
const about = async (): Promise<AboutAnswer> => (await server.ask('GET', '/about')).json;
const health = async (): Promise<HealthAnswer> => (await server.ask('GET', '/health')).json;

test('About has the version, the data and the copies; the report has nothing of a job', async () => {
  const folder = newFolder();
  server = await startServer(folder, { demo: true });
  await server.ask('POST', '/jobs', { document: newJob('Secret of the sluice') });
  const answer = await about();
  expect(answer).toMatchObject({
    version: (JSON.parse(readFileSync('package.json', 'utf8')) as { version: string }).version,
    schema: expect.stringMatching(/^\d{4}_\w+$/) as string,
    data: { folder },
    scheduledCopies: null,
    warnings: [],
    upgrade: null,
    commands: { restore: 'npm run restore -- FILE' },
  });
  expect(answer.data.folderBytes).toBeGreaterThanOrEqual(answer.data.databaseBytes);
  const refused = await server.ask('PUT', '/jobs/none', { revision: 'x', document: newJob('Secret of the sluice') });
  const id = refused.headers.get('x-request-id')!;
  const report = await eventually(
    async () => (await server.ask('GET', '/about/report')).text,
    (text) => text.includes(id),
  );
  // A refusal is found by the id that its answer has.
  expect(report).toContain(`${id} PUT /api/jobs/:id answered 400`);
  expect(report).not.toMatch(/sluice/i);
  expect(JSON.parse(report)).toMatchObject({ version: answer.version, contents: { jobs: 9 } });
});

test('metrics count the answers by route, never by what they carry', async () => {
  server = await startServer(newFolder());
  for (let k = 0; k < 3; k += 1) await server.ask('GET', `/jobs/secret-${k}`);
  const { text, headers } = await server.ask('GET', '/metrics');
  expect(headers.get('content-type')).toMatch(/^text\/plain/);
  expect(text).toContain('usual_drag_request_seconds_count{method="GET",route="/api/jobs/:id",status="404"} 3');
  expect(text).toMatch(/^usual_drag_disk_free_bytes \d+/m);
  expect(text).toMatch(/^process_resident_memory_bytes \d+/m);
  expect(text).not.toContain('secret');
});

test('a copy is made on schedule once it is due, and it can be opened', async () => {
  const copies = join(newFolder(), 'second disk');
  const env = { USUAL_DRAG_COPIES: copies, USUAL_DRAG_COPIES_EVERY: '24' };
  server = await startServer(newFolder(), { demo: true, env });
  const { scheduledCopies } = await eventually(about, (answer) => answer.scheduledCopies?.lastAt != null);
  expect(scheduledCopies).toMatchObject({ folder: copies, everyHours: 24, isOverdue: false, failure: null });
  const [first, ...others] = readdirSync(copies);
  expect(others).toEqual([]);
  const client = connect(join(copies, first!));
  expect((await client.execute('select count(*) as jobs from jobs')).rows[0]).toMatchObject({ jobs: 8 });
  client.close();
  await server.stop();
  // A copy of two days ago is overdue; the next start makes another at once.
  const old = Date.now() - 48 * 3_600_000;
  utimesSync(join(copies, first!), old / 1000, old / 1000);
  const overdueAt = (now: number): boolean => copiesState({ folder: copies, everyHours: 24 }, null, now).isOverdue;
  expect(overdueAt(old + 35 * 3_600_000)).toBe(false);
  expect(overdueAt(old + 37 * 3_600_000)).toBe(true);
  server = await startServer(newFolder(), { env });
  await eventually(about, (answer) => answer.scheduledCopies?.isOverdue === false);
  await eventually(
    () => Promise.resolve(readdirSync(copies)),
    (names) => names.length === 2,
  );
  expect(readdirSync(copies)).toHaveLength(2);
  expect(await health()).toEqual({ status: 'ready', engine: 'SQLite' });
});

test('copies that cannot be made are reported with the reason', async () => {
  const inTheWay = join(newFolder(), 'no folder');
  writeFileSync(inTheWay, '');
  server = await startServer(newFolder(), { env: { USUAL_DRAG_COPIES: inTheWay } });
  const { warnings } = await eventually(health, (answer) => answer.warnings !== undefined);
  expect(warnings).toEqual([
    { about: 'copies', message: expect.stringMatching(/are overdue.*none has been made.*no folder/) as string },
  ]);
  // The next start makes them.
  await server.stop();
  rmSync(inTheWay);
  mkdirSync(inTheWay);
  server = await startServer(newFolder(), { env: { USUAL_DRAG_COPIES: inTheWay } });
  await eventually(about, (answer) => answer.scheduledCopies?.lastAt != null);
  expect(await health()).toEqual({ status: 'ready', engine: 'SQLite' });
});

test('a warning is given before the disk is full', () => {
  expect(spaceWarning('/data', 299e6, 1e6)).toMatch(/^Only 299 MB are free on the disk of \/data\./);
  expect(spaceWarning('/data', 301e6, 1e6)).toBeNull();
  // Copies of a large database need more.
  expect(spaceWarning('/data', 2e9, 1e9)).not.toBeNull();
  expect(spaceWarning('/data', null, 1e9)).toBeNull();
});

test('a shutdown announces itself to pages, finishes the request in flight and refuses the next connection', async () => {
  const folder = newFolder();
  server = await startServer(folder);
  const { hostname, port } = new URL(server.address);
  const events = await fetch(`${server.address}/api/events`);
  const heard = events.text();
  // A save whose body arrives slowly, as over a poor line.
  const body = JSON.stringify({ document: newJob('Arrives slowly') });
  const socket = connectSocket(Number(port), hostname);
  let answer = '';
  socket.setEncoding('utf8').on('data', (text) => (answer += String(text)));
  const closed = new Promise((done) => socket.once('close', done));
  socket.write(
    `POST /api/jobs HTTP/1.1\r\nHost: ${hostname}:${port}\r\nContent-Type: application/json\r\nContent-Length: ${body.length}\r\n\r\n`,
  );
  socket.write(body.slice(0, 20));
  await eventually(
    async () => (await server.ask('GET', '/metrics')).text,
    (text) => text.includes('usual_drag_open_requests 3'),
  );
  const ended = server.stop('SIGTERM');
  expect(await heard).toMatch(/event: ending\n/);
  await expect(fetch(`${server.address}/api/health`)).rejects.toThrow();
  socket.write(body.slice(20));
  await closed;
  expect(answer).toMatch(/^HTTP\/1\.1 201 /);
  expect([0, null]).toContain(await ended);
  expect(readFileSync(join(folder, 'logs/server.log'), 'utf8')).toMatch(/POST \/api\/jobs answered 201 in \d+ ms\n/);
});
