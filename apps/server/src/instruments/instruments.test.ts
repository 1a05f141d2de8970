import type { StoredDocument } from '@usual-drag/contract';
import { rangesOf, type KitInstrument, type Range } from '@usual-drag/core/instrument';
import type { Refusal } from '../http/faults.ts';
import { newFolder, startServer, type RunningServer } from '../test/running-server.ts';

let server: RunningServer;
const folder = newFolder();
beforeAll(async () => {
  server = await startServer(folder);
});
afterAll(() => server.stop('SIGTERM'));

const kitNow = async (): Promise<StoredDocument<KitInstrument>[]> => (await server.ask('GET', '/instruments')).json;
const put = (id: string, body: unknown) => server.ask('PUT', `/instruments/${encodeURIComponent(id)}`, body);

const own = {
  id: 'shop/1',
  name: 'Workshop ammeter',
  display: 'analogue',
  functions: [{ quantity: 'dc-current', ranges: [{ id: '1 A', fullScale: 1, resistance: 0.06 }] }],
};

test('the kit is served: five instruments, each range with a resistance', async () => {
  const kit = await kitNow();
  expect(kit.map(({ id }) => id)).toEqual(['analogue-20k', 'digital-2000', 'analogue-2k', 'bench-digital', 'panel-5a']);
  const resistances = (n: number) => rangesOf(kit[n]!.document, 'dc-voltage').map(({ resistance }) => resistance);
  expect(resistances(3).filter((r) => r > 1e10)).toHaveLength(2);
  expect(resistances(3).filter((r) => r === 1e7)).toHaveLength(3);
  const [panel] = kit[4]!.document.functions![0]!.ranges as [Range];
  expect(panel.resistance * panel.fullScale).toBeCloseTo(0.075, 12);
});

test('an instrument is added, edited, and kept over a restart; its id may be any text', async () => {
  expect((await put(own.id, { document: own })).status).toBe(200);
  const edited = { ...own, assetTag: 'SL-300', calibratedOn: '2026-11-01', calibrationMonths: 6 };
  const saved = (await put(own.id, { document: edited, revision: 1 })).json as StoredDocument<KitInstrument>;
  expect(saved.revision).toBe(2);
  await server.stop('SIGTERM');
  server = await startServer(folder);
  expect((await kitNow()).at(-1)).toMatchObject({ id: own.id, revision: 2, document: edited });
});

test('what was edited of the built-in kit stays when the server starts again', async () => {
  const [first] = await kitNow();
  await put(first!.id, { document: { ...first!.document, notes: 'cracked glass' }, revision: 0 });
  await server.stop('SIGTERM');
  server = await startServer(folder);
  expect((await kitNow())[0]!.document.notes).toBe('cracked glass');
});

test('an edit of a stale revision is refused with the newest', async () => {
  const refused = await put(own.id, { document: own, revision: 1 });
  expect(refused.status).toBe(409);
  const { error } = refused.json as { error: { current: StoredDocument<KitInstrument> } };
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

test('a kit file adds what is new, all of it or nothing', async () => {
  const kit = { format: 'usual-drag/kit', version: 1, instruments: [{ id: 'second' }] };
  const before = await kitNow();
  const bad = { ...kit, instruments: [...kit.instruments, { id: 'third', leadResistance: -2 }] };
  expect((await server.ask('POST', '/instruments/import', bad)).status).toBe(400);
  expect(await kitNow()).toEqual(before);
  const added = (await server.ask('POST', '/instruments/import', kit)).json as StoredDocument<KitInstrument>[];
  expect(added.map(({ id, revision }) => [id, revision])).toEqual([['second', 1]]);
  expect((await server.ask('POST', '/instruments/import', kit)).json).toEqual([]);
});

describe('a kit file with an instrument that was edited here', () => {
  const file = (notes: string) => ({
    format: 'usual-drag/kit',
    version: 1,
    instruments: [{ ...own, notes }, { id: `new-${notes.replaceAll(' ', '-')}` }],
  });
  const notesOf = async (id: string) => (await kitNow()).find((one) => one.id === id)?.document.notes;
  const take = (notes: string, existing?: string) =>
    server.ask('POST', `/instruments/import${existing ? `?existing=${existing}` : ''}`, file(notes));

  test('is not taken without a choice, and nothing of it is', async () => {
    const before = await kitNow();
    const refused = await take('unasked');
    expect(refused.status).toBe(409);
    expect((refused.json as { error: { conflicts: string[] } }).error.conflicts).toEqual([own.id]);
    expect(await kitNow()).toEqual(before);
    expect((await take('odd', 'perhaps')).status).toBe(400);
  });

  test('keeps what is here, where that is chosen', async () => {
    expect(((await take('kept', 'keep')).json as { id: string }[]).map(({ id }) => id)).toEqual(['new-kept']);
    expect(await notesOf(own.id)).toBeUndefined();
  });

  test('is added as a copy, where that is chosen', async () => {
    expect((await take('a copy', 'copy')).status).toBe(201);
    expect(await notesOf(own.id)).toBeUndefined();
    expect(await notesOf('shop/1-2')).toBe('a copy');
  });

  test('replaces what is here, where that is chosen, and the version before stays in the history', async () => {
    expect((await take('replaced', 'replace')).status).toBe(201);
    expect(await notesOf(own.id)).toBe('replaced');
    const { entries } = (await server.ask('GET', `/history/instruments/${encodeURIComponent(own.id)}`)).json as {
      entries: { changes: string[] }[];
    };
    expect(entries[0]!.changes).toContain('Notes added');
  });
});

test('an archived instrument can be deleted for good, with its history; a built-in one does not come back', async () => {
  const [first] = await kitNow();
  const path = `/archived/instruments/${first!.id}`;
  expect((await server.ask('DELETE', path)).status).toBe(403);
  await put(first!.id, { document: { ...first!.document, retired: true }, revision: first!.revision });
  expect((await server.ask('DELETE', path)).status).toBe(204);
  await server.stop('SIGTERM');
  server = await startServer(folder);
  expect((await kitNow()).map(({ id }) => id)).not.toContain(first!.id);
  expect((await server.ask('GET', `/history/instruments/${first!.id}`)).status).toBe(404);
});
