import type { ShelvedInstrument } from '@usual-drag/contract';
import type { Range } from '@usual-drag/core';
import type { Refusal } from '../http/faults.ts';
import { newFolder, startServer, type RunningServer } from '../test/running-server.ts';

let server: RunningServer;
const folder = newFolder();
beforeAll(async () => {
  server = await startServer(folder);
});
afterAll(() => server.stop('SIGTERM'));

const shelf = async (): Promise<ShelvedInstrument[]> => (await server.ask('GET', '/instruments')).json;
const put = (id: string, body: unknown) => server.ask('PUT', `/instruments/${encodeURIComponent(id)}`, body);

const own = {
  id: 'shop/1',
  name: 'Workshop ammeter',
  display: 'analogue',
  functions: [{ quantity: 'dc-current', ranges: [{ id: '1 A', fullScale: 1, resistance: 0.06 }] }],
};

test('the kit is served: five instruments, each range with a resistance', async () => {
  const kit = await shelf();
  expect(kit.map(({ id }) => id)).toEqual(['analogue-20k', 'digital-2000', 'analogue-2k', 'bench-digital', 'panel-5a']);
  const resistances = (n: number) => kit[n]!.document.functions![0]!.ranges.map(({ resistance }: Range) => resistance);
  expect(resistances(3).filter((r) => r > 1e10)).toHaveLength(2);
  expect(resistances(3).filter((r) => r === 1e7)).toHaveLength(3);
  const [panel] = kit[4]!.document.functions![0]!.ranges as [Range];
  expect(panel.resistance * panel.fullScale).toBeCloseTo(0.075, 12);
});

test('an instrument is put on the shelf, edited, and kept over a restart; its id may be any text', async () => {
  expect((await put(own.id, { document: own })).status).toBe(200);
  const edited = { ...own, assetTag: 'SL-300', calibratedOn: '2026-11-01', calibrationMonths: 6 };
  const saved = (await put(own.id, { document: edited, revision: 1 })).json as ShelvedInstrument;
  expect(saved.revision).toBe(2);
  await server.stop('SIGTERM');
  server = await startServer(folder);
  expect((await shelf()).at(-1)).toEqual({ id: own.id, revision: 2, document: edited });
});

test('what was edited of the built-in kit stays when the server starts again', async () => {
  const [first] = await shelf();
  await put(first!.id, { document: { ...first!.document, notes: 'cracked glass' }, revision: 0 });
  await server.stop('SIGTERM');
  server = await startServer(folder);
  expect((await shelf())[0]!.document.notes).toBe('cracked glass');
});

test('an edit of a stale revision is refused with the newest', async () => {
  const refused = await put(own.id, { document: own, revision: 1 });
  expect(refused.status).toBe(409);
  const { error } = refused.json as { error: { current: ShelvedInstrument } };
  expect(error.current.revision).toBe(2);
  expect((await put(own.id, { document: own })).status).toBe(409);
  expect((await put('nobody', { document: { ...own, id: 'nobody' }, revision: 4 })).status).toBe(404);
});

test.each([
  [{ ...own, colour: 'red' }, 'document.colour'],
  [{ ...own, leadResistance: -1 }, 'document.leadResistance'],
  [{ ...own, calibratedOn: 'yesterday' }, 'document.shop/1'],
  [{ ...own, id: 'other' }, 'document.id'],
  [
    { ...own, functions: [{ quantity: 'dc-current', ranges: [{ id: '1 A', resistance: 1 }] }] },
    'document.functions[0].ranges[0].fullScale',
  ],
])('%j is refused at %s', async (document, path) => {
  const refused = await put(own.id, { document, revision: 2 });
  expect(refused.status).toBe(400);
  expect((refused.json as Refusal).error.faults![0]!.path).toBe(path);
});

test('a kit file adds what is new and renews what is there, all of it or nothing', async () => {
  const kit = { format: 'usual-drag/kit', version: 1, instruments: [{ ...own, notes: 'new glass' }, { id: 'second' }] };
  const before = await shelf();
  const bad = { ...kit, instruments: [...kit.instruments, { id: 'third', leadResistance: -2 }] };
  expect((await server.ask('POST', '/instruments/import', bad)).status).toBe(400);
  expect(await shelf()).toEqual(before);
  const taken = (await server.ask('POST', '/instruments/import', kit)).json as ShelvedInstrument[];
  expect(taken.map(({ id, revision }) => [id, revision])).toEqual([
    [own.id, 3],
    ['second', 1],
  ]);
  expect((await shelf()).find(({ id }) => id === own.id)!.document.notes).toBe('new glass');
});
