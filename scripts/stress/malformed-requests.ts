import type { StoredDocument } from '@usual-drag/contract';
import { newJob } from '@usual-drag/core/job';
import fc from 'fast-check';
import { hasStackTrace, type Finding } from './finding.ts';
import type { Place } from './place.ts';

const addresses = [
  ['POST', '/jobs'],
  ['PUT', '/jobs/JOB'],
  ['POST', '/jobs/import'],
  ['POST', '/jobs/import-archive'],
  ['POST', '/jobs/JOB/duplicate'],
  ['PUT', '/instruments/x'],
  ['POST', '/instruments/import'],
  ['POST', '/instruments/import?existing=copy'],
  ['PUT', '/meter-projects/x'],
  ['POST', '/history/jobs/JOB'],
  ['POST', '/history/instruments/none'],
  ['DELETE', '/archived/jobs/none'],
  ['GET', '/history/jobs/JOB?before=-1'],
  ['GET', '/damaged/jobs/%F0'],
  ['PATCH', '/%00'],
] as const;
const types = ['application/json', 'application/zip', 'text/plain', 'application/json; charset=utf-16', ''];

/** Requests that make no sense, many of them nearly right ones: each is refused in words, and what is stored stays. */
export async function malformedRequests(place: Place, count: number): Promise<Finding> {
  const server = await place.start();
  const job = (await server.ask('POST', '/jobs', { document: newJob('Target') })).json as StoredDocument<unknown>;
  const sound = JSON.stringify({ revision: 77, document: newJob('Sound') });
  const key = fc.oneof(fc.constantFrom('document', 'revision', 'network', 'constructor', '__proto__'), fc.string());
  const anything = fc.anything({ maxDepth: 3 });
  const body = fc.oneof(
    fc.dictionary(key, anything).map((value) => text(value)),
    fc.record({ revision: fc.integer({ max: 0 }), document: fc.dictionary(key, anything) }).map((value) => text(value)),
    // A valid one with some of its characters changed or cut off; it never has the right revision.
    fc
      .tuple(fc.nat(sound.length - 1), fc.string({ maxLength: 3 }))
      .map(([at, put]) => sound.slice(0, at) + put + sound.slice(at + put.length)),
    fc.string(),
    fc.constantFrom('', 'null', '[]', '"x"', '1e999', '{"document":{"network":{"elements":[null]}}}'),
  );
  const requests = fc.sample(fc.tuple(fc.constantFrom(...addresses), fc.constantFrom(...types), body), count);
  let [faults, stackTraces] = [0, 0];
  for (const [[method, path], type, sent] of requests) {
    const answer = await server
      .ask(method, path.replace('JOB', job.id), method === 'GET' ? undefined : sent, { 'content-type': type })
      .catch(() => null);
    if (!answer || answer.status === 500) faults += 1;
    if (answer && hasStackTrace(answer.text)) stackTraces += 1;
  }
  const kept = (await server.ask('GET', `/jobs/${job.id}`)).json as StoredDocument<unknown>;
  const lost = kept.revision === 1 && JSON.stringify(kept.document) === JSON.stringify(job.document) ? 0 : 1;
  await server.stop();
  if (hasStackTrace(server.output())) stackTraces += 1;
  return { name: 'Malformed requests', tried: `${count} requests`, lost, faults, stackTraces };
}

const text = (value: unknown): string =>
  JSON.stringify(value, (_, part: unknown) => (typeof part === 'bigint' ? String(part) : part)) ?? 'null';
