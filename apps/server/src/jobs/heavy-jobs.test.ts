import type { JobSummary } from '@usual-drag/contract';
import type { Job } from '@usual-drag/core/job';
import { newFolder, startServer, type RunningServer } from '../test/running-server.ts';

/** A square mesh of resistors, which takes the more time to solve the larger it is. */
function mesh(side: number): Job {
  const node = (a: number, b: number): string => (a + b === 0 ? '0' : `N${a * side + b}`);
  const resistors = Array.from({ length: side * side }, (_, k) => [Math.floor(k / side), k % side] as const).flatMap(
    ([a, b]) => [
      ...(a + 1 < side ? [[node(a, b), node(a + 1, b)]] : []),
      ...(b + 1 < side ? [[node(a, b), node(a, b + 1)]] : []),
    ],
  );
  return {
    format: 'usual-drag/job',
    version: 3,
    title: `Mesh of ${side}`,
    network: {
      elements: [
        { id: 'E1', kind: 'source', from: node(side - 1, side - 1), to: '0', emf: 10 },
        ...resistors.map(([from, to], k) => ({
          id: `R${k + 1}`,
          kind: 'resistor' as const,
          from: from!,
          to: to!,
          resistance: 1000,
        })),
      ],
    },
  };
}

let server: RunningServer;
afterEach(() => server.stop());
const list = async (): Promise<JobSummary[]> => (await server.ask('GET', '/jobs')).json;

test('a job that takes long to solve holds up neither the list nor anybody else, and is given up after a time', async () => {
  const folder = newFolder();
  server = await startServer(folder);
  expect((await server.ask('POST', '/jobs', { document: mesh(80) })).status).toBe(201);
  const [first] = await list();
  expect(first).toMatchObject({ title: 'Mesh of 80', state: 'computing', worstError: null, parts: 12641 });
  // While it is computed, others are answered many times over.
  let answered = 0;
  let line: JobSummary = first!;
  while (line.state === 'computing') {
    expect((await server.ask('GET', '/health')).status).toBe(200);
    answered += 1;
    if (answered % 20 === 0) line = (await list())[0]!;
  }
  expect(line.state).toBe('too-large');
  expect(answered).toBeGreaterThan(20);
  await server.stop();
  // It is not tried again after a restart.
  server = await startServer(folder);
  expect((await list())[0]).toMatchObject({ state: 'too-large', parts: 12641 });
}, 60_000);

test('a page is told when the figures of a line are there', async () => {
  server = await startServer(newFolder());
  await server.ask('POST', '/jobs', { document: mesh(22) });
  const events = await fetch(`${server.address}/api/events`);
  const reader = events.body!.pipeThrough(new TextDecoderStream()).getReader();
  if ((await list())[0]!.state === 'computing') {
    let heard = '';
    while (!heard.includes('"kind":"jobs","id":null')) heard += (await reader.read()).value ?? '';
  }
  await reader.cancel();
  expect((await list())[0]!.state).not.toBe('computing');
});

test('a drawing is kept by the browser as long as the job is as it was', async () => {
  server = await startServer(newFolder());
  const { id } = (await server.ask('POST', '/jobs', { document: mesh(4) })).json as { id: string };
  const first = await server.ask('GET', `/jobs/${id}/drawing?theme=dark`);
  expect(first.text).toContain('<svg');
  expect(first.headers.get('cache-control')).toBe('private, no-cache');
  const known = { 'if-none-match': first.headers.get('etag')! };
  const again = await server.ask('GET', `/jobs/${id}/drawing?theme=dark`, undefined, known);
  expect([again.status, again.text]).toEqual([304, '']);
  await server.ask('PUT', `/jobs/${id}`, { revision: 1, document: mesh(5) });
  expect((await server.ask('GET', `/jobs/${id}/drawing?theme=dark`, undefined, known)).status).toBe(200);
});
