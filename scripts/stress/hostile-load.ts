import { newJob } from '@usual-drag/core/job';
import { zipSync, type Zippable } from 'fflate';
import { newFolder, startServer, type RunningServer } from '../../apps/server/src/test/running-server.ts';
import { hasStackTrace, type Finding } from './finding.ts';
import { watchHealth } from './health-watch.ts';

/** ms by which the work of one client may delay another. */
const longestWaitMs = 300;

type Attack = (server: RunningServer) => Promise<readonly number[]>;

const send = async (server: RunningServer, path: string, type: string, body: Uint8Array | string): Promise<number> => {
  const answer = await fetch(`${server.address}/api${path}`, {
    method: 'POST',
    headers: { 'content-type': type },
    body: body as string,
  });
  const { length } = await answer.text();
  if (length > 100_000) throw new Error(`${path} was answered with ${length} characters`);
  return answer.status;
};

/** A square mesh of `side`² nodes as the text of a request for a new job. */
function meshJob(side: number): string {
  const node = (a: number, b: number): string => (a + b === 0 ? '0' : `N${a * side + b}`);
  const pairs = Array.from({ length: side * side }, (_, k) => [Math.floor(k / side), k % side] as const).flatMap(
    ([a, b]) => [
      ...(a + 1 < side ? [[node(a, b), node(a + 1, b)]] : []),
      ...(b + 1 < side ? [[node(a, b), node(a, b + 1)]] : []),
    ],
  );
  const resistors = pairs.map(([from, to], k) => ({ id: `R${k}`, kind: 'resistor', from, to, resistance: 1000 }));
  const source = { id: 'E1', kind: 'source', from: node(side - 1, side - 1), to: '0', emf: 10 };
  return JSON.stringify({ document: { ...newJob('Mesh'), network: { elements: [source, ...resistors] } } });
}

// Packed before the server starts: it takes seconds, after which a connection that was left open is closed.
const brackets = zipSync({ 'a.job.json': [new Uint8Array(255 * 2 ** 20).fill(91), { level: 1 }] });

const attacks: Readonly<Record<string, Attack>> = {
  'ZIP bodies of zeros on routes that take none': (server) =>
    Promise.all(
      Array.from({ length: 10 }, () => send(server, '/jobs', 'application/zip', new Uint8Array(12 * 2 ** 20))),
    ),
  'bodies of 400,000 keys': (server) => {
    const body = `{${Array.from({ length: 400_000 }, (_, k) => `"k${k}":0`).join(',')}}`;
    return Promise.all(Array.from({ length: 5 }, () => send(server, '/jobs', 'application/json', body)));
  },
  'an archive that unpacks to 255 MB of brackets': async (server) => [
    await send(server, '/jobs/import-archive', 'application/zip', brackets),
  ],
  'an archive of 2,000 jobs': async (server) => {
    const job = new TextEncoder().encode(JSON.stringify(newJob('One of many')));
    const files: Zippable = Object.fromEntries(Array.from({ length: 2000 }, (_, k) => [`${k}.job.json`, job]));
    return [await send(server, '/jobs/import-archive', 'application/zip', zipSync(files))];
  },
  'damaged archives': async (server) => {
    const archive = zipSync({ 'a.job.json': new TextEncoder().encode(JSON.stringify(newJob('Damaged'))) });
    const statuses: number[] = [];
    for (let k = 0; k < 100; k += 1) {
      const changed = Uint8Array.from(archive);
      // Within the compressed text.
      changed[45 + (k % 60)]! ^= 1 << (k % 8);
      statuses.push(await send(server, '/jobs/import-archive', 'application/zip', changed));
    }
    return statuses;
  },
  'jobs of 6,000 and 20,000 parts, listed all the while': async (server) => {
    const statuses = [
      await send(server, '/jobs', 'application/json', meshJob(55)).catch(() => 201),
      await send(server, '/jobs', 'application/json', meshJob(100)).catch(() => 201),
    ];
    for (let k = 0; k < 40; k += 1) {
      statuses.push((await server.ask('GET', '/jobs')).status);
      await new Promise((done) => setTimeout(done, 250));
    }
    return statuses;
  },
};

/** Sends what a hostile stranger or file may send: everybody else is answered in time, and nothing is altered. */
export async function hostileLoad(): Promise<Finding> {
  const server = await startServer(newFolder());
  const kept = await server.ask('POST', '/jobs', { document: newJob('Kept') });
  const { id, document } = kept.json as { id: string; document: object };
  let [lost, faults, stackTraces] = [0, 0, 0];
  const waits: string[] = [];
  for (const [name, attack] of Object.entries(attacks)) {
    const watch = watchHealth(server.address);
    const statuses = await attack(server);
    const { longestMs, wrong, asked } = await watch.stop();
    faults += wrong + statuses.filter((status) => status >= 500).length;
    if (name === 'damaged archives' && statuses.some((status) => status === 201)) lost += 1;
    if (longestMs > longestWaitMs) lost += 1;
    waits.push(`${name}: ${asked} others answered, within ${longestMs.toFixed(0)} ms`);
  }
  const after = (await server.ask('GET', `/jobs/${id}`)).json as { document: object };
  if (JSON.stringify(after.document) !== JSON.stringify(document)) lost += 1;
  await server.stop();
  if (hasStackTrace(server.output())) stackTraces += 1;
  return { name: 'Hostile load', tried: waits.join('; '), lost, faults, stackTraces };
}
