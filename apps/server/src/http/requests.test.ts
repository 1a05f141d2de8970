import { request } from 'node:http';
import type { StoredDocument } from '@usual-drag/contract';
import { newJob, type Job } from '@usual-drag/core/job';
import fc from 'fast-check';
import { newFolder, startServer, type Answer, type RunningServer } from '../test/running-server.ts';

let server: RunningServer;
let job: StoredDocument<Job>;
beforeAll(async () => {
  server = await startServer(newFolder());
  job = (await server.ask('POST', '/jobs', { document: newJob('Target') })).json;
});
afterAll(() => server.stop());

/** A request with the very headers given, which fetch does not allow. */
const raw = (method: string, path: string, headers: Record<string, string>, body = ''): Promise<number> =>
  new Promise((done, failed) => {
    const { hostname, port } = new URL(server.address);
    const sent = request({ hostname, port, method, path, headers }, (answer) => {
      answer.resume();
      done(answer.statusCode!);
    });
    sent.on('error', failed);
    sent.end(body);
  });

const port = (): string => new URL(server.address).port;

test.each(['evil.example', 'evil.example:PORT', '127.0.0.1.evil.example:PORT', '127.0.0.1:1'])(
  'the host %s is turned away, page and data alike',
  async (host) => {
    const headers = { host: host.replace('PORT', port()) };
    for (const path of ['/', '/api/jobs', '/api/health', '/mark.svg'])
      expect(await raw('GET', path, headers)).toBeGreaterThanOrEqual(400);
    expect(await raw('DELETE', `/api/jobs/${job.id}`, { ...headers, 'content-type': 'application/json' })).toBe(403);
  },
);

test.each(['localhost', '127.0.0.1'])('the name %s is answered, with its own origin', async (name) => {
  const host = `${name}:${port()}`;
  expect(await raw('GET', '/api/jobs', { host })).toBe(200);
  expect(await raw('GET', '/api/jobs', { host, origin: `http://${host}` })).toBe(200);
});

test.each(['http://evil.example', 'null', 'http://127.0.0.1:1', 'https://localhost'])(
  'a page of %s may neither read nor write',
  async (origin) => {
    const headers = { host: `127.0.0.1:${port()}`, origin };
    expect(await raw('GET', '/api/jobs', headers)).toBe(403);
    const change = { ...headers, 'content-type': 'application/json' };
    expect(await raw('POST', '/api/jobs', change, JSON.stringify({ document: newJob('x') }))).toBe(403);
    expect(await raw('POST', `/api/jobs/${job.id}/duplicate`, change)).toBe(403);
  },
);

test('a change must say that it is JSON, with a body or without', async () => {
  const host = `127.0.0.1:${port()}`;
  for (const type of [undefined, 'text/plain', 'application/x-www-form-urlencoded', 'multipart/form-data']) {
    const headers = { host, ...(type && { 'content-type': type }) };
    expect(await raw('POST', `/api/jobs/${job.id}/duplicate`, headers)).toBe(415);
    expect(await raw('POST', '/api/jobs', headers, JSON.stringify({ document: newJob('x') }))).toBe(415);
    expect(await raw('DELETE', `/api/jobs/${job.id}`, headers)).toBe(415);
  }
  expect((await server.ask('GET', `/jobs/${job.id}`)).status).toBe(200);
});

test('pages and answers carry the headers that keep others out', async () => {
  for (const path of ['/', '/api/jobs', '/bench/x/setups']) {
    const { headers } = await fetch(server.address + path);
    const policy = headers.get('content-security-policy')!;
    expect(policy).toContain("frame-ancestors 'none'");
    expect(policy).toContain("default-src 'none'");
    expect(/script-src ([^;]*)/.exec(policy)![1]).toBe("'self'");
    expect(headers.get('x-content-type-options')).toBe('nosniff');
    expect(headers.get('x-powered-by')).toBeNull();
  }
});

test.each(['constructor', '__proto__', 'toString', 'hasOwnProperty'])(
  'a key %s of a request is refused',
  async (key) => {
    for (const body of [`{"${key}":null,"revision":1,"document":{}}`, `{"document":{"${key}":null}}`]) {
      expect((await server.ask('POST', '/jobs', body)).status).toBe(400);
      expect((await server.ask('PUT', `/jobs/${job.id}`, body)).status).toBe(400);
      expect((await server.ask('POST', '/jobs/import', body)).status).toBe(400);
      expect((await server.ask('POST', '/instruments/import', body)).status).toBe(400);
      expect((await server.ask('PUT', '/instruments/x', body)).status).toBe(400);
      expect((await server.ask('PUT', '/meter-projects/x', body)).status).toBe(400);
    }
  },
);

test.each(['__proto__', 'constructor', 'valueOf'])('a part or node called %s is refused', async (name) => {
  const part = { kind: 'resistor', resistance: 1 };
  for (const element of [
    { ...part, id: name, from: 'A', to: '0' },
    { ...part, id: 'R1', from: name, to: '0' },
  ]) {
    const refused = await server.ask('POST', '/jobs', {
      document: { ...newJob('x'), network: { elements: [element] } },
    });
    expect(refused.status).toBe(400);
  }
});

/** Took at most a second: what is asked of the largest file that may be sent. */
async function withinASecond(ask: () => Promise<Answer>): Promise<Answer> {
  const begun = performance.now();
  const answer = await ask();
  // A busy machine takes several times as long as a quiet one; before, these took 12 to 83 seconds.
  expect(performance.now() - begun).toBeLessThan(5000);
  return answer;
}

test('a hundred thousand junk elements are refused at once, with twenty faults at most', async () => {
  const junk = `{"format":"usual-drag/job","version":1,"network":{"elements":[${'{},'.repeat(99_999)}{}]}}`;
  const refused = await withinASecond(() => server.ask('POST', '/jobs/import', junk));
  expect(refused.status).toBe(400);
  expect(refused.text.length).toBeLessThan(10_000);
  const small = { ...newJob('x'), network: { elements: Array.from({ length: 300 }, () => ({})) } };
  const { faults } = ((await server.ask('POST', '/jobs/import', small)).json as { error: { faults: unknown[] } }).error;
  expect(faults).toHaveLength(20);
});

test('eight thousand parts by eight thousand set-ups are checked at once', async () => {
  const elements = Array.from({ length: 8000 }, (_, k) => ({
    id: `R${k}`,
    kind: 'resistor',
    from: `N${k}`,
    to: `N${k + 1}`,
    resistance: 1,
  }));
  const setups = Array.from({ length: 8000 }, (_, k) => ({
    id: `S-${k}`,
    meters: [{ id: 'V', instrument: 'i', quantity: 'dc-voltage', range: 'r', red: `N${k}`, black: 'N0' }],
  }));
  const range = { id: 'r', fullScale: 1, resistance: 1 };
  const instruments = [{ id: 'i', functions: [{ quantity: 'dc-voltage', ranges: [range] }] }];
  const document = { format: 'usual-drag/job', version: 1, network: { elements }, instruments, setups };
  expect((await withinASecond(() => server.ask('POST', '/jobs', { document }))).status).toBe(201);
  const lost = {
    ...document,
    setups: setups.map((setup) => ({ ...setup, meters: [{ ...setup.meters[0], red: 'X' }] })),
  };
  expect((await withinASecond(() => server.ask('POST', '/jobs/import', lost))).status).toBe(400);
});

test('titles and texts have an end', async () => {
  const refused = await server.ask('POST', '/jobs', { document: { ...newJob('x'), title: 'x'.repeat(201) } });
  expect(refused.status).toBe(400);
  expect(refused.text).toContain('title must have 200 characters at most');
});

test('an export of a large job is imported again as it was', async () => {
  const elements = Array.from({ length: 30_000 }, (_, k) => ({
    id: `R${k}`,
    kind: 'resistor',
    from: `N${k}`,
    to: `N${k + 1}`,
    resistance: 1,
    label: 'some forty characters of text or more than that',
  }));
  const made = (await server.ask('POST', '/jobs', { document: { ...newJob('Large'), network: { elements } } }))
    .json as StoredDocument<Job>;
  const exported = await server.ask('GET', `/jobs/${made.id}/export`);
  expect(exported.text.length).toBeGreaterThan(3.5 * 2 ** 20);
  const imported = await server.ask('POST', '/jobs/import', exported.text);
  expect(imported.status).toBe(201);
  expect((imported.json as StoredDocument<Job>).document).toEqual(made.document);
});

/** Values that a body or a part of one might be. */
const anything = fc.anything({ withNullPrototype: true, maxDepth: 4, withUnicodeString: true } as never);
const key = fc.oneof(fc.constantFrom('document', 'revision', 'constructor', '__proto__', 'network'), fc.string());

test('whatever is sent, nothing is a fault of the server’s', async () => {
  const paths = fc.constantFrom(
    ['POST', '/jobs'],
    ['POST', '/jobs/import'],
    ['POST', '/instruments/import'],
    ['PUT', '/jobs/JOB'],
    ['PUT', '/instruments/%00'],
    ['PUT', '/meter-projects/new'],
    ['POST', '/history/jobs/JOB'],
    ['POST', '/history/constructor/x'],
    ['DELETE', '/archived/__proto__/x'],
    ['GET', '/history/jobs/JOB?before=x'],
    ['GET', '/damaged/toString/x'],
  );
  const body = fc.oneof(
    anything,
    fc.dictionary(key, anything),
    fc.record({ revision: fc.integer(), document: fc.dictionary(key, anything) }),
    fc.constantFrom('{', '[]', '"', '\u0000', '{"document":{"network":{"elements":[null]}}}'),
  );
  await fc.assert(
    fc.asyncProperty(paths, body, async ([method, path], value) => {
      const text = typeof value === 'string' ? value : (JSON.stringify(value, plain) ?? 'null');
      const answer = await server.ask(method, path.replace('JOB', job.id), method === 'GET' ? undefined : text);
      expect(answer.status).not.toBe(500);
      expect(answer.text).not.toMatch(/\n\s+at /);
    }),
    { numRuns: 300 },
  );
  expect((await server.ask('GET', '/health')).status).toBe(200);
  expect(server.output()).not.toMatch(/\n\s+at /);
});

const plain = (_: string, value: unknown): unknown => (typeof value === 'bigint' ? String(value) : value);

/** Sends bytes of a type to a route. */
const send = (path: string, type: string, body: Uint8Array | string, method = 'POST'): Promise<Response> =>
  fetch(`${server.address}/api${path}`, { method, headers: { 'content-type': type }, body: body as string });

test('a ZIP archive is taken at the import of archives alone, and nothing is made of its bytes elsewhere', async () => {
  const zeros = new Uint8Array(12 * 2 ** 20);
  for (const [method, path] of [
    ['POST', '/jobs'],
    ['PUT', `/jobs/${job.id}`],
    ['POST', '/instruments/import'],
    ['POST', `/history/jobs/${job.id}`],
  ] as const) {
    const refused = await send(path, 'application/zip', zeros, method);
    expect([path, refused.status]).toEqual([path, 415]);
    expect((await refused.text()).length).toBeLessThan(300);
  }
  expect((await send('/jobs/import-archive', 'application/json', '{}')).status).toBe(415);
  expect((await send('/jobs/import-archive', 'application/zip', zeros)).status).toBe(400);
});

test('a body with hundreds of thousands of keys is refused in a line; of some wrong keys twenty are named', async () => {
  const keys = (count: number): string => `{${Array.from({ length: count }, (_, k) => `"k${k}":0`).join(',')}}`;
  const many = await server.ask('POST', '/jobs', keys(300_000));
  expect([many.status, many.text.length < 300]).toEqual([400, true]);
  const some = (await server.ask('POST', '/jobs', keys(60))).json as { error: { faults: unknown[] } };
  expect(some.error.faults).toHaveLength(20);
});

test('text that is not UTF-8 is refused, not stored as something else', async () => {
  const text = Buffer.from(JSON.stringify({ document: newJob('Kafé') }), 'latin1');
  const refused = await send('/jobs', 'application/json', text);
  expect([refused.status, await refused.text()]).toEqual([400, expect.stringContaining('not UTF-8')]);
});

test.each([1e308, 2 ** 53, -1, 1.5])('the revision %d is refused', async (revision) => {
  const body = { revision, document: newJob('x') };
  expect((await server.ask('POST', `/history/jobs/${job.id}`, body)).status).toBe(400);
  expect((await server.ask('PUT', `/jobs/${job.id}`, body)).status).toBe(400);
});

test('a page of another site gets none of the data, by whatever way it asks; a link to a page is followed', async () => {
  const headers = { host: `127.0.0.1:${port()}`, 'sec-fetch-site': 'cross-site' };
  for (const path of ['/api/backup', '/api/jobs', '/api/jobs/export', '/API/backup', '/api'])
    expect([path, await raw('GET', path, headers)]).toEqual([path, 403]);
  expect(await raw('GET', '/bench/x/setups', headers)).toBe(200);
  expect(await raw('GET', '/api/jobs', { ...headers, 'sec-fetch-site': 'same-origin' })).toBe(200);
});
