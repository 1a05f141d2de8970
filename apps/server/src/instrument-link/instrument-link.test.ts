import type { InstrumentReading, StoredDocument } from '@usual-drag/contract';
import { builtInKit, instrumentForJob, type KitInstrument } from '@usual-drag/core/instrument';
import { floatLevelDivider, type Job } from '@usual-drag/core/job';
import { SimulatedMultimeter } from '../stand-in/simulated-multimeter.ts';
import { serveStandIn, type Misbehaviour } from '../stand-in/stand-in-server.ts';
import { simulatedMultimeter } from '../stand-in/simulated-multimeter-kit.ts';
import { newFolder, startServer, type RunningServer } from '../test/running-server.ts';

const divider = floatLevelDivider(builtInKit.map(instrumentForJob));
let server: RunningServer;
const closing: (() => void)[] = [];
beforeAll(async () => {
  server = await startServer(newFolder(), { demo: true });
});
afterAll(async () => {
  closing.forEach((close) => close());
  await server.stop('SIGTERM');
});

const read = (id: string, more: object = {}) =>
  server.ask('POST', `/instruments/${id}/read`, { quantity: 'dc-voltage', range: '10 V', ...more });
const message = (answer: { readonly json: never }): string =>
  (answer.json as { error: { message: string } }).error.message;

/** An instrument of the kit that is a stand-in of the test's own. */
async function kept(id: string, misbehaviour: Misbehaviour = {}): Promise<string> {
  const { port, server: standIn } = await serveStandIn(() => new SimulatedMultimeter(divider, 5), 0, misbehaviour);
  closing.push(() => standIn.close());
  const document: KitInstrument = { ...simulatedMultimeter, id, address: `tcp://127.0.0.1:${port}` };
  expect((await server.ask('PUT', `/instruments/${id}`, { document })).status).toBe(200);
  return id;
}

test('the demo has its simulated multimeter in the kit, and it can be read at once, anywhere in a job', async () => {
  const kit = (await server.ask('GET', '/instruments')).json as StoredDocument<KitInstrument>[];
  const own = kit.find(({ id }) => id === simulatedMultimeter.id)!.document;
  expect(own.address).toMatch(/^tcp:\/\/127\.0\.0\.1:\d+$/);
  const jobs = (await server.ask('GET', '/jobs')).json as { id: string; title: string }[];
  const loop = jobs.find(({ title }) => title === 'Level loop')!.id;
  const answer = (
    await read(own.id, {
      jobId: loop,
      quantity: 'dc-current',
      range: '100 mA',
      place: { quantity: 'dc-current', node: 'B', ends: ['R2.from'] },
    })
  ).json as InstrumentReading;
  expect(answer).toMatchObject({
    unit: 'mA',
    range: '100 mA',
    identity: expect.stringMatching(/^Usual Drag,Simulated/),
  });
  expect(Number(answer.shown)).toBeGreaterThan(12.7);
  expect(Number(answer.shown)).toBeLessThan(12.9);
  const across = { quantity: 'dc-voltage', red: 'B', black: 'C' };
  const volts = (await read(own.id, { jobId: loop, place: across })).json as InstrumentReading;
  // 12.8 mA through 250 Ω, on the range that it goes to by itself.
  expect(Number(volts.shown)).toBeCloseTo(3.2, 1);
  expect(volts.range).toBe('10 V');
});

test.each<[string, Misbehaviour, RegExp]>([
  ['slow', { slow: true }, /did not answer “\*IDN\?” within 3 s/],
  ['garbled', { garbled: true }, /“\+6\.3#7E\+0”, which is no number/],
  ['drop', { drop: true }, /ended the connection|connection to the instrument broke/],
])('a %s instrument is a clear message, and the server goes on', async (name, misbehaviour, words) => {
  const answer = await read(await kept(name, misbehaviour));
  expect(answer.status).toBe(502);
  expect(message(answer)).toMatch(words);
  expect((await server.ask('GET', '/health')).status).toBe(200);
});

test('an instrument without an address, or that is not there, is said; an address comes from the kit alone', async () => {
  const none = await read('analogue-2k', { range: '10 V' });
  expect([none.status, message(none)]).toEqual([502, expect.stringMatching(/has no address in the kit/)]);
  expect((await read('nowhere')).status).toBe(404);
  const smuggled = await read('analogue-2k', { address: 'tcp://127.0.0.1:22' });
  expect(smuggled.status).toBe(400);
  const bad = { document: { id: 'bad', address: 'file:///etc/passwd' } };
  expect((await server.ask('PUT', '/instruments/bad', bad)).status).toBe(400);
  await server.ask('PUT', '/instruments/off', {
    document: { ...simulatedMultimeter, id: 'off', address: 'tcp://127.0.0.1:1' },
  });
  expect(message(await read('off'))).toMatch(/Nothing answers at tcp:\/\/127\.0\.0\.1:1/);
});

test.each([
  ['quantity', 'ac-voltage'],
  ['range', ''],
  ['place', 'here'],
  ['jobId', 7],
])('%s %j is refused', async (key, value) =>
  expect((await read(simulatedMultimeter.id, { [key]: value })).status).toBe(400),
);

test('a job whose network cannot be solved gives no number, and says so', async () => {
  const broken: Job = {
    ...divider,
    setups: [],
    readings: [],
    network: {
      elements: [
        { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 5 },
        { id: 'E2', kind: 'source', from: 'A', to: '0', emf: 6 },
      ],
    },
  };
  const { id } = (await server.ask('POST', '/jobs', { document: broken })).json as { id: string };
  const answer = await read(simulatedMultimeter.id, {
    jobId: id,
    place: { quantity: 'dc-voltage', red: 'A', black: '0' },
  });
  expect(answer.status).toBe(502);
  expect(message(answer)).toMatch(/Nothing was written down/);
});

test('the connection to an address that no instrument has any more is closed', async () => {
  const { port, server: standIn } = await serveStandIn(() => new SimulatedMultimeter(divider, 5), 0, {});
  closing.push(() => standIn.close());
  const open = (): Promise<number> =>
    new Promise((count) => standIn.getConnections((_, connections) => count(connections)));
  const moving = { ...simulatedMultimeter, id: 'moving', address: `tcp://127.0.0.1:${port}` };
  const saved = (await server.ask('PUT', '/instruments/moving', { document: moving }))
    .json as StoredDocument<KitInstrument>;
  expect((await read('moving')).status).toBe(200);
  expect(await open()).toBe(1);
  const elsewhere = { ...moving, address: 'tcp://[::1]:1' };
  await server.ask('PUT', '/instruments/moving', { revision: saved.revision, document: elsewhere });
  for (let k = 0; k < 100 && (await open()) > 0; k += 1) await new Promise((done) => setTimeout(done, 20));
  expect(await open()).toBe(0);
  expect(message(await read('moving'))).toContain('Nothing answers at tcp://[::1]:1');
});

test('a network that is too large to be simulated beside the server is no reading', async () => {
  const elements = Array.from({ length: 400 }, (_, k) => ({
    id: `R${k}`,
    kind: 'resistor' as const,
    from: `N${k}`,
    to: `N${k + 1}`,
    resistance: 1,
  }));
  const { id } = (
    await server.ask('POST', '/jobs', { document: { ...divider, setups: [], readings: [], network: { elements } } })
  ).json as { id: string };
  const answer = await read(simulatedMultimeter.id, {
    jobId: id,
    place: { quantity: 'dc-voltage', red: 'N0', black: 'N1' },
  });
  expect([answer.status, message(answer)]).toEqual([502, expect.stringContaining('More than 300 parts')]);
});
