import type { DamagedDocument, JobSummary, StoredDocument } from '@usual-drag/contract';
import { newJob, type Job } from '@usual-drag/core/job';
import { newFolder, startServer } from '../test/running-server.ts';
import { changeStored } from '../test/change-stored.ts';
import { isOnPostgres, testEngine } from '../test/test-database.ts';

test.each<[string, string | Uint8Array]>([
  ['cut off', '{"format":"usual-drag/job","ver'],
  ['of another shape', '{"format":"usual-drag/job","version":1,"network":7}'],
  // PostgreSQL stores no such text.
  ...(isOnPostgres()
    ? []
    : [['no text at all', new Uint8Array([0xff, 0xfe, 0x00, 0x80])] satisfies [string, Uint8Array]]),
  ['empty', ''],
])('a row that is %s is set aside and named; its bytes are kept, the rest is served', async (_, bytes) => {
  const folder = newFolder();
  const server = await startServer(folder);
  const good = (await server.ask('POST', '/jobs', { document: newJob('Good') })).json as StoredDocument<Job>;
  const bad = (await server.ask('POST', '/jobs', { document: newJob('Bad') })).json as StoredDocument<Job>;
  await server.stop();
  await changeStored(folder, `update jobs set document = $1 where id = '${bad.id}'`, bytes);

  const again = await startServer(folder);
  const list = await again.ask('GET', '/jobs');
  expect(list.status).toBe(200);
  expect((list.json as JobSummary[]).map(({ id }) => id)).toEqual([good.id]);
  expect((await again.ask('GET', `/jobs/${good.id}`)).status).toBe(200);

  const opened = await again.ask('GET', `/jobs/${bad.id}`);
  expect(opened.status).toBe(422);
  expect(opened.text).toContain(`/api/damaged/jobs/${bad.id}`);

  const [named] = (await again.ask('GET', '/damaged')).json as [DamagedDocument];
  expect(named).toMatchObject({ kind: 'jobs', id: bad.id, bytes: Buffer.from(bytes).length });
  expect((await again.ask('GET', '/health')).json).toEqual({ status: 'ready', engine: testEngine(), damaged: [named] });

  const response = await fetch(`${again.address}/api/damaged/jobs/${bad.id}`);
  expect(Buffer.from(await response.arrayBuffer()).equals(Buffer.from(bytes))).toBe(true);
  expect((await again.ask('GET', `/history/jobs/${bad.id}`)).status).toBe(200);
  await again.stop();
});
