import type { JobSummary, KeptSignature, SignedJob, StoredDocument } from '@usual-drag/contract';
import { newJob, type Job } from '@usual-drag/core/job';
import { documentHash, makeOrderReport, orderHash, orderSignatures } from '@usual-drag/core/report';
import { sampleOrder } from '../demo/sample-order.ts';
import { newFolder, startServer, type RunningServer } from '../test/running-server.ts';

const folder = newFolder();
let server: RunningServer;
beforeAll(async () => {
  server = await startServer(folder);
});
afterAll(() => server.stop());

/** Adds the circuits of the sample as an order of its own, and returns their ids. */
async function addOrder(order: string): Promise<string[]> {
  const ids: string[] = [];
  for (const job of sampleOrder) {
    const document: Job = { ...job, record: { ...job.record, order } };
    ids.push(((await server.ask('POST', '/jobs', { document })).json as { id: string }).id);
  }
  return ids;
}

const documents = (ids: readonly string[]): Promise<Job[]> =>
  Promise.all(ids.map(async (id) => ((await server.ask('GET', `/jobs/${id}`)).json as { document: Job }).document));

const hashOf = async (ids: readonly string[]): Promise<string> => orderHash((await documents(ids)).map(documentHash));

const sign = async (order: string, jobs: readonly string[], more: object = {}) =>
  server.ask('POST', `/orders/${order}/signatures`, {
    jobs,
    hash: await hashOf(jobs),
    by: 'J. Marsh',
    restored: ['Supply off'],
    ...more,
  });

const signaturesOn = async (ids: readonly string[]): Promise<KeptSignature[]> =>
  (await Promise.all(ids.map(async (id) => (await server.ask('GET', `/jobs/${id}/signatures`)).json))).flat();

const places = async (order: string): Promise<(readonly [string, number | null])[]> =>
  ((await server.ask('GET', '/jobs')).json as JobSummary[])
    .filter(({ record }) => record.order === order)
    .map(({ id, place }) => [id, place] as const);

test('an order is signed over all its circuits, each frozen as it was, and stays signed over a restart', async () => {
  const ids = await addOrder('WO-1');
  const signed = await sign('WO-1', ids);
  expect(signed.status).toBe(201);
  const [signature, ...others] = orderSignatures(await signaturesOn(ids), 'WO-1');
  expect(others).toEqual([]);
  expect(signature).toMatchObject({ by: 'J. Marsh', restored: ['Supply off'], hash: await hashOf(ids) });
  await server.ask('PUT', `/jobs/${ids[1]}`, { revision: 1, document: newJob('Edited') });
  await server.stop('SIGKILL');
  server = await startServer(folder);
  const again = orderSignatures(await signaturesOn(ids), 'WO-1');
  expect(again).toEqual([signature]);
  const entry = signature!.circuits[1]!.entry;
  const kept = (await server.ask('GET', `/jobs/${ids[1]}/signatures/${entry}`)).json as SignedJob;
  expect(kept.document.title).toBe('Pump resistors in parallel');
  expect((await server.ask('GET', '/damaged')).json).toEqual([]);
  const present = makeOrderReport(
    [...(await documents(ids.slice(0, 1))), kept.document, ...(await documents(ids.slice(2)))],
    {
      signature: signature!,
    },
  );
  expect(present.ok && present.value.state).toBe('signed');
});

test('the same person signs the same order once; another one once more', async () => {
  const ids = await addOrder('WO-2');
  const first = (await sign('WO-2', ids)).json as KeptSignature[];
  expect((await sign('WO-2', ids)).json).toEqual(first);
  await sign('WO-2', ids, { by: 'A. Reed' });
  expect(orderSignatures(await signaturesOn(ids), 'WO-2').map(({ by }) => by)).toEqual(['A. Reed', 'J. Marsh']);
});

test('what was not on the screen is not signed: an edit, another sequence, a missing or a new circuit', async () => {
  const ids = await addOrder('WO-3');
  const hash = await hashOf(ids);
  const [first, second, third] = ids as [string, string, string];
  expect((await sign('WO-3', [second, first, third])).status).toBe(409);
  expect((await sign('WO-3', [first, second])).status).toBe(409);
  const { document } = (await server.ask('GET', `/jobs/${first}`)).json as { document: Job };
  await server.ask('PUT', `/jobs/${first}`, { revision: 1, document: { ...document, title: 'Edited' } });
  expect((await sign('WO-3', ids, { hash })).status).toBe(409);
  await server.ask('POST', '/jobs', { document: { ...document, title: 'A fourth one' } });
  expect((await sign('WO-3', ids)).status).toBe(409);
  expect((await sign('WO-nowhere', ids)).status).toBe(404);
  expect(await signaturesOn(ids)).toEqual([]);
});

test('no circuit is signed if one cannot be', async () => {
  const ids = await addOrder('WO-4');
  const broken: Job = {
    ...sampleOrder[0]!,
    title: 'Sources side by side',
    record: { order: 'WO-4' },
    readings: [],
    setups: [],
    network: {
      elements: [
        { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 5 },
        { id: 'E2', kind: 'source', from: 'A', to: '0', emf: 6 },
      ],
    },
  };
  const added = await server.ask('POST', '/jobs', { document: broken });
  expect(added.status).toBe(201);
  const { id } = added.json as { id: string };
  const jobs = [...ids, id];
  const hash = orderHash((await documents(jobs)).map(documentHash));
  const answer = await server.ask('POST', '/orders/WO-4/signatures', { jobs, hash, by: 'J. Marsh', restored: [] });
  expect(answer.status).toBe(400);
  expect(answer.text).toContain('Sources side by side cannot be signed yet');
  expect(await signaturesOn(jobs)).toEqual([]);
});

test('circuits are reordered; a new one comes last, and the sequence is kept over a restart', async () => {
  const ids = await addOrder('WO-5');
  const [first, second, third] = ids as [string, string, string];
  expect(await places('WO-5')).toEqual(expect.arrayContaining(ids.map((id) => [id, null])));
  expect((await server.ask('PUT', '/orders/WO-5/sequence', { jobs: [third, first, second] })).status).toBe(204);
  await server.stop('SIGKILL');
  server = await startServer(folder);
  const { document } = (await server.ask('GET', `/jobs/${first}`)).json as { document: Job };
  const { id } = (await server.ask('POST', '/jobs', { document })).json as { id: string };
  expect(Object.fromEntries(await places('WO-5'))).toEqual({ [third]: 0, [first]: 1, [second]: 2, [id]: null });
  expect((await sign('WO-5', [third, first, second, id])).status).toBe(201);
  // The former list is not the order any more.
  expect((await server.ask('PUT', '/orders/WO-5/sequence', { jobs: [first, second, third] })).status).toBe(409);
});

test('two people read two circuits of one order at once while a third one reorders it: nothing is lost', async () => {
  const ids = await addOrder('WO-7');
  const [first, second, third] = ids as [string, string, string];
  const count = 12;
  const read = async (id: string, shift: number): Promise<void> => {
    for (let taken = 0; taken < count; taken += 1) {
      const { revision, document } = (await server.ask('GET', `/jobs/${id}`)).json as StoredDocument<Job>;
      const [reading] = document.readings!.filter(({ quantity }) => quantity === 'dc-voltage');
      const added: Job = { ...document, readings: [...document.readings!, { ...reading!, id: `N${shift + taken}` }] };
      expect((await server.ask('PUT', `/jobs/${id}`, { revision, document: added })).status).toBe(200);
    }
  };
  const reorder = async (): Promise<void> => {
    for (let time = 0; time < count; time += 1) {
      const jobs = time % 2 === 0 ? [third, second, first] : [first, third, second];
      expect((await server.ask('PUT', '/orders/WO-7/sequence', { jobs })).status).toBe(204);
    }
  };
  // Both circuits have a second reader: their readings are merged.
  await Promise.all([read(first, 100), read(second, 100), read(first, 200), read(second, 200), reorder()]);
  const before = sampleOrder.map(({ readings }) => readings!.length);
  const after = (await documents(ids)).map(({ readings }) => readings!.length);
  expect(after).toEqual([before[0]! + 2 * count, before[1]! + 2 * count, before[2]]);
  expect(Object.fromEntries(await places('WO-7'))).toEqual({ [first]: 0, [third]: 1, [second]: 2 });
  expect((await sign('WO-7', [first, third, second])).status).toBe(201);
});

test.each([
  ['jobs', []],
  ['jobs', 'all'],
  ['jobs', ['x', 'x']],
  ['jobs', [1]],
  ['jobs', Array.from({ length: 101 }, (_, index) => String(index))],
  ['by', ''],
  ['hash', 'abc'],
  ['restored', 'all'],
  ['more', 1],
])('a signature with %s %j is refused with its path', async (key, value) => {
  const body = { jobs: ['a'], hash: 'a'.repeat(64), by: 'J. Marsh', restored: [], [key]: value };
  const refused = await server.ask('POST', '/orders/WO-6/signatures', body);
  expect(refused.status).toBe(400);
  expect((refused.json as { error: { faults: { path: string }[] } }).error.faults[0]!.path).toBe(key);
});
