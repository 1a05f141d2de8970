import type { StoredDocument } from '@usual-drag/contract';
import { floatLevelDivider, type Job } from '@usual-drag/core/job';
import { listen, until } from '../../../test/listen.ts';
import { startCluster, type PostgresCluster } from '../../../test/postgres-cluster.ts';
import { newFolder, startServer } from '../../../test/running-server.ts';

let cluster: PostgresCluster;
beforeAll(async () => {
  cluster = await startCluster(true);
});
afterAll(() => cluster.remove());

test('while the database is away, requests are refused with a time to try again; afterwards all is as before', async () => {
  const env = { DATABASE_URL: await cluster.create('workshop') };
  const [one, other] = [await startServer(newFolder(), { env }), await startServer(newFolder(), { env })];
  const document = floatLevelDivider([]);
  const { id } = (await one.ask('POST', '/jobs', { document })).json as StoredDocument<Job>;
  const followed = await listen(other, `jobs/${id}`);
  const lines = (await fetch(`${other.address}/api/events?follow=jobs`)).body!;
  const save = (revision: number, title: string) =>
    one.ask('PUT', `/jobs/${id}`, { revision, document: { ...document, title } });
  expect((await save(1, 'before')).status).toBe(200);
  await until(() => followed.some(({ revision }) => revision === 2));

  await cluster.kill();
  for (const refused of [
    await save(2, 'meanwhile'),
    await one.ask('GET', `/jobs/${id}`),
    await one.ask('POST', '/jobs', { document }),
    await one.ask('GET', '/health'),
    await other.ask('GET', '/jobs'),
  ]) {
    expect(refused.status).toBe(503);
    expect(Number(refused.headers.get('retry-after'))).toBeGreaterThan(0);
    expect(refused.text).toMatch(/the database server does not answer/);
  }

  await cluster.start();
  let saved = await save(2, 'after');
  for (let k = 0; k < 100 && saved.status === 503; k += 1) saved = await save(2, 'after');
  expect((saved.json as StoredDocument<Job>).revision).toBe(3);
  expect(((await other.ask('GET', `/jobs/${id}`)).json as StoredDocument<Job>).document.title).toBe('after');
  // Messages may have been lost: the page connects anew and receives the present revision.
  await lines.pipeTo(new WritableStream());
  const again = await listen(other, `jobs/${id}`);
  await until(() => again.length > 0);
  expect(again[0]).toEqual({ kind: 'jobs', id, revision: 3 });
  await save(3, 'last');
  await until(() => again.some(({ revision }) => revision === 4));
  expect(again.at(-1)).toEqual({ kind: 'jobs', id, revision: 4 });
  await Promise.all([one.stop(), other.stop()]);
});
