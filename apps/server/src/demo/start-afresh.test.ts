import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import type { JobSummary } from '@usual-drag/contract';
import { newJob } from '@usual-drag/core/job';
import { demoJobs } from './demo-jobs.ts';
import { newFolder, startServer } from '../test/running-server.ts';

const fresh = { demo: true, env: { USUAL_DRAG_FRESH: '1' } };

test('the demo’s own database is put aside and the samples begin anew', async () => {
  const folder = newFolder();
  const first = await startServer(folder, { demo: true });
  await first.ask('POST', '/jobs', { document: newJob('Mine') });
  await first.stop('SIGKILL');
  const second = await startServer(folder, fresh);
  expect((await second.ask('GET', '/jobs')).json).toHaveLength(demoJobs.length);
  await second.stop();
  expect(readdirSync(join(folder, 'copies')).some((name) => name.includes('before-fresh'))).toBe(true);
});

test('a user’s own database is left alone, even where the demo was started on it', async () => {
  const folder = newFolder();
  const own = await startServer(folder);
  await own.ask('PUT', '/instruments/mine', { document: { id: 'mine' } });
  await own.stop();
  await (await startServer(folder, { demo: true })).stop();
  await expect(startServer(folder, fresh)).rejects.toThrow(/was not made by the demo/);
  const again = await startServer(folder);
  expect((await again.ask('GET', '/instruments')).text).toContain('"id":"mine"');
  await again.stop();
});

test('nothing is put aside while a server holds the folder', async () => {
  const folder = newFolder();
  const running = await startServer(folder, { demo: true });
  await expect(startServer(folder, fresh)).rejects.toThrow(/Another server/);
  expect((await running.ask('GET', '/jobs')).json).toHaveLength(demoJobs.length);
  await running.stop();
  expect(existsSync(join(folder, 'copies'))).toBe(false);
});

test('the samples come whole or not at all', async () => {
  const folder = newFolder();
  const server = await startServer(folder, { demo: true });
  const jobs = (await server.ask('GET', '/jobs')).json as JobSummary[];
  expect(jobs).toHaveLength(demoJobs.length);
  expect((await server.ask('GET', '/meter-projects')).json).toHaveLength(2);
  await server.stop();
});
