import type { DocumentKind, StoredDocument } from '@usual-drag/contract';
import { newJob } from '@usual-drag/core/job';
import { sampleMeterProjects } from '../../apps/server/src/demo/sample-meter-projects.ts';
import type { RunningServer } from '../../apps/server/src/test/running-server.ts';
import { hasStackTrace, type Finding } from './finding.ts';
import type { Place } from './place.ts';

/** A document that is saved over and over, and what was last acknowledged of it. */
interface Writer {
  readonly kind: DocumentKind;
  readonly id: string;
  revision: number;
  text: string;
}

/** A server killed again and again in the middle of saves of every kind: what it had acknowledged must be there. */
export async function killLoop(place: Place, kills: number): Promise<Finding> {
  const writers = await begin(place);
  let [saves, lost, faults, stackTraces] = [0, 0, 0, 0];
  for (let round = 0; round < kills; round += 1) {
    const server = await place.start();
    for (const writer of writers) {
      const found = await read(server, writer);
      // The acknowledged one, or at the most one more that was written and not yet answered.
      const isThere = found && found.revision >= writer.revision && found.revision <= writer.revision + 1;
      const says = found?.revision !== writer.revision || textOf(writer.kind, found.document) === writer.text;
      if (!isThere || !says) lost += 1;
      if (found) Object.assign(writer, { revision: found.revision, text: textOf(writer.kind, found.document) });
    }
    let over = false;
    const writing = writers.map(async (writer) => {
      while (!over) {
        const text = `round ${round}, save ${writer.revision}`;
        const answer = await save(server, writer, text).catch(() => null);
        if (!answer) return;
        if (answer.status === 500) faults += 1;
        if (answer.status !== 200) continue;
        Object.assign(writer, { revision: (answer.json as StoredDocument<unknown>).revision, text });
        saves += 1;
      }
    });
    await new Promise((later) => setTimeout(later, 15 + ((round * 37) % 120)));
    await server.stop('SIGKILL');
    over = true;
    await Promise.all(writing);
    if (hasStackTrace(server.output())) stackTraces += 1;
  }
  return { name: 'Kills', tried: `${kills} kills in ${saves} acknowledged saves`, lost, faults, stackTraces };
}

async function begin(place: Place): Promise<Writer[]> {
  const server = await place.start();
  const writers: Writer[] = [];
  for (let k = 0; k < 2; k += 1) {
    const made = (await server.ask('POST', '/jobs', { document: newJob('begun') })).json as StoredDocument<unknown>;
    writers.push({ kind: 'jobs', id: made.id, revision: 1, text: 'begun' });
  }
  for (const kind of ['instruments', 'meter-projects'] as const) {
    const writer: Writer = { kind, id: 'stress', revision: 1, text: 'begun' };
    await server.ask('PUT', `/${kind}/stress`, { document: documentOf(writer, 'begun') });
    writers.push(writer);
  }
  await server.stop();
  return writers;
}

function documentOf({ kind, id }: Pick<Writer, 'kind' | 'id'>, text: string): object {
  if (kind === 'jobs') return newJob(text);
  return kind === 'instruments' ? { id, name: text } : { ...sampleMeterProjects[0]!, id, title: text };
}

const textOf = (kind: DocumentKind, document: unknown): string =>
  (document as Record<string, string>)[kind === 'instruments' ? 'name' : 'title'] ?? '';

const save = (server: RunningServer, writer: Writer, text: string) =>
  server.ask('PUT', `/${writer.kind}/${writer.id}`, { revision: writer.revision, document: documentOf(writer, text) });

async function read(server: RunningServer, { kind, id }: Writer): Promise<StoredDocument<unknown> | undefined> {
  if (kind === 'jobs') return (await server.ask('GET', `/jobs/${id}`)).json;
  const list = (await server.ask('GET', `/${kind}`)).json as StoredDocument<unknown>[];
  return list.find((one) => one.id === id);
}
