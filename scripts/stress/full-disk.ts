import { join } from 'node:path';
import type { StoredDocument } from '@usual-drag/contract';
import { newJob } from '@usual-drag/core/job';
import { sampleMeterProjects } from '../../apps/server/src/demo/sample-meter-projects.ts';
import { startServer } from '../../apps/server/src/test/running-server.ts';
import { mountSmallDisk } from '../../apps/server/src/test/small-disk.ts';
import { hasStackTrace, type Finding } from './finding.ts';

const filler = 'x'.repeat(9000);
const kinds = {
  jobs: (id: string) => ({ ...newJob(id), network: { elements: elementsOf(80) } }),
  instruments: (id: string) => ({ id, notes: filler }),
  'meter-projects': (id: string) => ({ ...sampleMeterProjects[0]!, id }),
} as const;

const elementsOf = (count: number) =>
  Array.from({ length: count }, (_, k) => ({
    id: `R${k}`,
    kind: 'resistor',
    from: `N${k}`,
    to: `N${k + 1}`,
    resistance: 1,
    label: 'x'.repeat(60),
  }));

/** Documents of every kind saved to a small disk until it is full, three times over with a little more room each time. */
export async function fullDisk(): Promise<Finding> {
  const disk = mountSmallDisk(900);
  if (!disk) return { name: 'Full disk', tried: 'no disk could be mounted here', lost: 0, faults: 0, stackTraces: 0 };
  const folder = join(disk.folder, 'data');
  const acknowledged = new Map<string, number>();
  let [saves, refused, lost, faults, stackTraces] = [0, 0, 0, 0, 0];
  for (let round = 1; round <= 3; round += 1) {
    const server = await startServer(folder);
    for (let k = 0; k < 150; k += 1)
      for (const kind of Object.keys(kinds) as (keyof typeof kinds)[]) {
        const id = `${kind}-${round}-${k}`;
        const answer =
          kind === 'jobs'
            ? await server.ask('POST', '/jobs', { document: kinds.jobs(id) })
            : await server.ask('PUT', `/${kind}/${id}`, { document: kinds[kind](id) });
        if (answer.status === 500) faults += 1;
        if (hasStackTrace(answer.text)) stackTraces += 1;
        if (answer.status === 200 || answer.status === 201) {
          const { id: stored, revision } = answer.json as StoredDocument<unknown>;
          acknowledged.set(`${kind}/${stored}`, revision);
          saves += 1;
        } else refused += 1;
      }
    await server.stop('SIGKILL');
    if (hasStackTrace(server.output())) stackTraces += 1;
    disk.grow(900 + 600 * round);
  }
  const server = await startServer(folder);
  const there = new Set<string>();
  for (const kind of ['instruments', 'meter-projects', 'jobs'])
    for (const { id } of (await server.ask('GET', `/${kind}`)).json as { id: string }[]) there.add(`${kind}/${id}`);
  for (const key of acknowledged.keys()) if (!there.has(key)) lost += 1;
  await server.stop();
  disk.unmount();
  return { name: 'Full disk', tried: `${saves} saves, ${refused} refused for want of room`, lost, faults, stackTraces };
}
