import type { DocumentChange, SavedReadings, StoredDocument } from '@usual-drag/contract';
import { changedReadings, floatLevelDivider, noteReading, putReadings, type Job } from '@usual-drag/core/job';
import type { Reading } from '@usual-drag/core/readings';
import { newFolder, startServer, type RunningServer } from '../test/running-server.ts';
import { takeReading } from '../../../../packages/core/src/test/take-reading.ts';

let server: RunningServer;
beforeAll(async () => {
  server = await startServer(newFolder());
});
afterAll(() => server.stop());

const divider: Job = floatLevelDivider([]);
const take = (job: Job, shown: string, at = `2026-11-27T09:00:0${shown}Z`): Job => takeReading(job, shown, at);
const last = (job: Job): Reading => job.readings!.at(-1)!;

const create = async (document: Job = divider) =>
  (await server.ask('POST', '/jobs', { document })).json as StoredDocument<Job>;
const read = async (id: string) => (await server.ask('GET', `/jobs/${id}`)).json as StoredDocument<Job>;
const handIn = (id: string, revision: number, readings: readonly unknown[]) =>
  server.ask('POST', `/jobs/${id}/readings`, { revision, readings });
const saved = async (...of: Parameters<typeof handIn>) => (await handIn(...of)).json as SavedReadings;

test('a reading is saved alone, and the answer reproduces the stored job', async () => {
  const { id } = await create();
  const one = await saved(id, 1, [last(take(divider, '1'))]);
  const two = await saved(id, 2, [last(take(take(divider, '1'), '2'))]);
  expect([one.revision, two.revision, two.readings.length]).toEqual([2, 3, 1]);
  const stored = await read(id);
  expect(stored).toMatchObject({ revision: 3, updatedAt: two.updatedAt });
  expect(putReadings(putReadings(divider, one.readings), two.readings)).toEqual(stored.document);
});

test('a reading that is sent twice is stored once', async () => {
  const { id } = await create();
  const reading = last(take(divider, '1'));
  const once = await saved(id, 1, [reading]);
  expect(await saved(id, 1, [reading])).toEqual(once);
  expect((await read(id)).revision).toBe(2);
});

test('two devices use the same id: both readings are stored, and the second answer contains both', async () => {
  const { id } = await create();
  await saved(id, 1, [last(take(divider, '1'))]);
  const { revision, readings } = await saved(id, 1, [last(take(divider, '2'))]);
  expect([revision, readings.map((one) => [one.id, one.observations[0]!.shown])]).toEqual([
    3,
    [
      ['M1', '1'],
      ['M2', '2'],
    ],
  ]);
  expect(putReadings(divider, readings)).toEqual((await read(id)).document);
});

test('a note and another observation of the same reading from two devices are merged', async () => {
  const job = take(divider, '1');
  const { id } = await create(job);
  await saved(id, 1, [last(noteReading(job, 'M1', 'warm'))]);
  const again = { ...last(job), observations: [...last(job).observations, { shown: '2', unit: 'V' }] };
  await saved(id, 1, [again]);
  const [both] = (await read(id)).document.readings!;
  expect([both!.note, both!.observations.map(({ shown }) => shown)]).toEqual(['warm', ['1', '2']]);
});

test('if the network was changed meanwhile, the answer is the whole job with the reading', async () => {
  const { id } = await create();
  const network = { elements: divider.network.elements.map((one) => ({ ...one, label: 'checked' })) };
  await server.ask('PUT', `/jobs/${id}`, { revision: 1, document: { ...divider, network } });
  const answer = await handIn(id, 1, [last(take(divider, '1'))]);
  expect([answer.status, answer.json as unknown]).toEqual([200, await read(id)]);
  expect((answer.json as StoredDocument<Job>).document).toMatchObject({ network, readings: [{ id: 'M1' }] });
});

test('invalid readings are refused with their path in the request, and nothing is changed', async () => {
  const { id } = await create();
  const reading = last(take(divider, '1'));
  const faulty = [
    [{ ...reading, shown: '1' }, 'readings[0].shown'],
    [{ ...reading, quantity: 'charm' }, 'readings[0].quantity'],
    ['6.36', 'readings[0]'],
  ] as const;
  for (const [wrong, path] of faulty) {
    const { status, json } = await handIn(id, 1, [wrong]);
    const { faults } = (json as { error: { faults: { path: string }[] } }).error;
    expect([status, faults[0]!.path]).toEqual([400, path]);
  }
  expect((await handIn(id, 1, [reading, reading])).status).toBe(400);
  expect((await handIn(id, 1, [])).status).toBe(400);
  expect((await handIn(id, 0, [reading])).status).toBe(400);
  // A revision that does not exist.
  expect((await handIn(id, 7, [reading])).status).toBe(409);
  expect((await handIn('none', 1, [reading])).status).toBe(404);
  expect(await read(id)).toMatchObject({ revision: 1, document: divider });
  await server.ask('DELETE', `/jobs/${id}`);
  expect((await handIn(id, 1, [reading])).status).toBe(404);
});

test('readings beyond the limit of a job are refused', async () => {
  const most = 10_000;
  const readings = Array.from({ length: most }, (_, k) => ({
    ...last(take(divider, '1', `at ${k}`)),
    id: `M${k + 1}`,
  }));
  const { id } = await create({ ...take(divider, '1'), readings });
  const { status, text } = await handIn(id, 1, [{ ...last(take(divider, '2')), id: 'M0' }]);
  expect([status, text]).toEqual([400, expect.stringContaining('Create another job')]);
});

test('announcements contain the readings of both kinds of save', async () => {
  const { id } = await create();
  const { body } = await fetch(`${server.address}/api/events?follow=jobs/${id}`);
  const reader = body!.pipeThrough(new TextDecoderStream()).getReader();
  const [one, two] = [take(divider, '1'), take(take(divider, '1'), '2')];
  const first = await saved(id, 1, changedReadings(divider, one)!);
  await server.ask('PUT', `/jobs/${id}`, { revision: 2, document: two });
  await server.ask('PUT', `/jobs/${id}`, { revision: 3, document: { ...two, title: 'Other' } });
  let text = '';
  while (!text.includes('"revision":4')) text += (await reader.read()).value!;
  await reader.cancel();
  const heard = [...text.matchAll(/^data: (\{.*)$/gm)].map(([, data]) => JSON.parse(data!) as DocumentChange);
  const { updatedAt } = first;
  expect(heard).toEqual([
    { kind: 'jobs', id, revision: 1 },
    { kind: 'jobs', id, revision: 2, step: { updatedAt, readings: one.readings } },
    { kind: 'jobs', id, revision: 3, step: { updatedAt: expect.any(String) as string, readings: [last(two)] } },
    { kind: 'jobs', id, revision: 4 },
  ]);
});

test('request and answer are as long in a job of a thousand readings as in a new one', async () => {
  const bytes = async (document: Job): Promise<number> => {
    const { id } = await create(document);
    const { text } = await handIn(id, 1, [{ ...last(take(divider, '7')), id: 'M5000' }]);
    return text.length;
  };
  const many = Array.from({ length: 1000 }, (_, k) => ({ ...last(take(divider, '1', `at ${k}`)), id: `M${k + 1}` }));
  expect(await bytes({ ...take(divider, '1'), readings: many })).toBe(await bytes(divider));
});
