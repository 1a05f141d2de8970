import { once } from 'node:events';
import { createServer, type AddressInfo, type Server, type Socket } from 'node:net';
import { ScpiInstrument } from './scpi-instrument.ts';

/** Longer than a busy machine takes over an answer. */
const patient = { connectMs: 10_000, answerMs: 10_000, readingMs: 10_000 };
/** For what never answers. */
const quick = { connectMs: 500, answerMs: 200, readingMs: 300 };
const volts = { quantity: 'dc-voltage', range: null } as const;
const servers: Server[] = [];
afterEach(() => servers.splice(0).forEach((server) => server.close()));

type Behaviour = (line: string, socket: Socket, connection: number) => void;

/** A program in the place of an instrument, on a port of its own. */
async function instrumentThat(behave: Behaviour, timeouts = patient) {
  let connections = 0;
  const lines: string[] = [];
  const server = createServer((socket) => {
    const number = (connections += 1);
    socket.on('error', () => undefined);
    socket.setEncoding('utf8').on('data', (chunk) => {
      for (const line of String(chunk).split('\n').filter(Boolean)) {
        lines.push(line);
        behave(line, socket, number);
      }
    });
  });
  servers.push(server.listen(0, '127.0.0.1'));
  await once(server, 'listening');
  const { port } = server.address() as AddressInfo;
  const instrument = new ScpiInstrument({ host: '127.0.0.1', port }, timeouts);
  return { instrument, lines, connections: () => connections };
}

/** Answers of a good instrument, except for those in `other`. */
const good =
  (other: Readonly<Record<string, string | null>> = {}): Behaviour =>
  (line, socket) => {
    const said = { '*IDN?': 'Maker,Model,1,2', 'SYST:ERR?': '0,"No error"', 'READ?': '+6.36720000E+00', ...other }[
      line
    ];
    if (said != null) socket.write(`${said}\n`);
  };

test('a reading is configured, taken and checked; the connection stays for the next', async () => {
  const { instrument, lines, connections } = await instrumentThat(good());
  const read = await instrument.read({ quantity: 'dc-current', range: null });
  expect(read).toEqual({
    observation: { shown: '6.36720000', unit: 'A' },
    sent: '+6.36720000E+00',
    identity: 'Maker,Model,1,2',
  });
  expect(lines).toEqual(['*IDN?', 'SYST:ERR?', 'CONF:CURR:DC', 'SYST:ERR?', 'READ?', 'SYST:ERR?']);
  await instrument.read(volts);
  expect(connections()).toBe(1);
  instrument.close();
});

test('readings asked for at once are taken one after the other', async () => {
  let open = 0;
  const { instrument } = await instrumentThat((line, socket) => {
    if (line !== 'READ?') return good()(line, socket, 1);
    expect((open += 1)).toBe(1);
    setTimeout(() => ((open -= 1), socket.write('1.5\n')), 20);
  });
  const all = await Promise.all(Array.from({ length: 5 }, () => instrument.read(volts)));
  expect(all.map(({ sent }) => sent)).toEqual(Array.from({ length: 5 }, () => '1.5'));
  const many = await Promise.allSettled(Array.from({ length: 12 }, () => instrument.read(volts)));
  expect(many.filter(({ status }) => status === 'rejected')).toHaveLength(4);
  instrument.close();
});

test('a range is set; where it is not taken, the instrument sets it by itself', async () => {
  const takes = await instrumentThat(good());
  await takes.instrument.read({ quantity: 'resistance', range: 1200 });
  expect(takes.lines).toContain('CONF:RES 1200');
  expect(takes.lines).not.toContain('CONF:RES');
  takes.instrument.close();
  let refused = false;
  const takesNone = await instrumentThat((line, socket) => {
    if (line === 'CONF:VOLT:DC 20') refused = true;
    if (line !== 'SYST:ERR?' || !refused) return good()(line, socket, 1);
    refused = false;
    socket.write('-108,"Parameter not allowed"\n');
  });
  expect((await takesNone.instrument.read({ quantity: 'dc-voltage', range: 20 })).sent).toBe('+6.36720000E+00');
  expect(takesNone.lines).toContain('CONF:VOLT:DC');
  takesNone.instrument.close();
});

const failures: readonly (readonly [string, Behaviour, RegExp])[] = [
  ['silent at once', () => undefined, /did not answer “\*IDN\?” within 0\.2 s/],
  ['silent at the reading', good({ 'READ?': null }), /did not answer “READ\?” within 0\.3 s/],
  ['garbled', good({ 'READ?': '+6.3#7E+0' }), /“\+6\.3#7E\+0”, which is no number/],
  ['no valid reading', good({ 'READ?': '9.91E37' }), /no valid reading/],
  ['a name of control characters', good({ '*IDN?': '\u0007\u0001' }), /where its name was asked for/],
  ['an error after the reading', good({ 'SYST:ERR?': '-230,"Data stale"' }), /errors without end/],
  ['an answer that is no error', good({ 'SYST:ERR?': 'what?' }), /“what\?” where its error was asked for/],
  ['two answers at once', good({ 'READ?': '1.0\n2.0' }), /more than it was asked for/],
  [
    'flooding',
    (line, socket) => (line === 'READ?' ? void socket.write('9'.repeat(100_000)) : good()(line, socket, 1)),
    /sends without end/,
  ],
  [
    'ending the connection',
    (line, socket) => (line === 'READ?' ? void socket.destroy() : good()(line, socket, 1)),
    /ended the connection|connection to the instrument broke/,
  ],
  [
    'half an answer, then nothing',
    (line, socket) => (line === 'READ?' ? void socket.write('+6.36') : good()(line, socket, 1)),
    /did not answer “READ\?”/,
  ],
];

test.each(failures)('%s: a clear message, and no value', async (_name, behave, message) => {
  const { instrument } = await instrumentThat(behave, quick);
  await expect(instrument.read(volts)).rejects.toThrow(message);
  instrument.close();
});

test('nothing at the address is said, with the address', async () => {
  const instrument = new ScpiInstrument({ host: '127.0.0.1', port: 1 }, quick);
  await expect(instrument.read(volts)).rejects.toThrow(/Nothing answers at tcp:\/\/127\.0\.0\.1:1 \(ECONNREFUSED\)/);
});

test('over range is OL', async () => {
  const { instrument } = await instrumentThat(good({ 'READ?': '9.9E37' }));
  expect((await instrument.read(volts)).observation).toEqual({ shown: 'OL', unit: 'V' });
  instrument.close();
});

test('after a late answer the next reading has a connection of its own, and its own value', async () => {
  const sockets: Socket[] = [];
  const { instrument, connections } = await instrumentThat(
    (line, socket, connection) => {
      sockets[connection] = socket;
      if (line !== 'READ?') return good()(line, socket, connection);
      if (connection === 1) return;
      // The first reading is answered only now, with a value that nobody may take for the second's.
      sockets[1]!.write('111\n');
      socket.write('222\n');
    },
    { ...patient, readingMs: 1000 },
  );
  await expect(instrument.read(volts)).rejects.toThrow(/did not answer/);
  expect((await instrument.read(volts)).sent).toBe('222');
  expect((await instrument.read(volts)).sent).toBe('222');
  expect(connections()).toBe(2);
  instrument.close();
});

test('a line that nobody asked for is nobody’s reading', async () => {
  const sockets: Socket[] = [];
  const { instrument, connections } = await instrumentThat((line, socket, connection) => {
    sockets[connection] = socket;
    good()(line, socket, connection);
  });
  expect((await instrument.read(volts)).sent).toBe('+6.36720000E+00');
  sockets[1]!.write('777\n');
  await once(sockets[1]!, 'close');
  expect((await instrument.read(volts)).sent).toBe('+6.36720000E+00');
  expect(connections()).toBe(2);
  instrument.close();
});

test('a second answer that comes late is taken neither for the error queue’s nor for a reading', async () => {
  let hasRead = false;
  const { instrument, connections } = await instrumentThat((line, socket, connection) => {
    if (connection > 1) return good()(line, socket, connection);
    if (line === 'READ?') hasRead = true;
    if (line === 'SYST:ERR?' && hasRead) socket.write('0\n');
    else good({ 'READ?': '+1.2345E+01' })(line, socket, connection);
  });
  await expect(instrument.read(volts)).rejects.toThrow('“0” where its error was asked for. Nothing was written down');
  expect((await instrument.read(volts)).sent).toBe('+6.36720000E+00');
  expect(connections()).toBe(2);
  instrument.close();
});

test('errors from before are read away, and not blamed on this reading', async () => {
  const before = ['-100,"Command error"', '-220,"Parameter error"'];
  const { instrument } = await instrumentThat((line, socket) => {
    if (line === 'SYST:ERR?' && before.length > 0) return void socket.write(`${before.shift()}\n`);
    good()(line, socket, 1);
  });
  expect((await instrument.read(volts)).sent).toBe('+6.36720000E+00');
  instrument.close();
});

test('lines for a simulated instrument go to no other', async () => {
  const { instrument, lines } = await instrumentThat(good());
  await instrument.read({ ...volts, leads: () => Promise.reject(new Error('asked for all the same')) });
  expect(lines.filter((line) => line.startsWith('SIM'))).toEqual([]);
  instrument.close();
});
