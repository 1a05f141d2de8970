import type { JobSummary } from '@usual-drag/contract';
import { newJob, type Job } from '@usual-drag/core/job';
import { newFolder, startServer, type RunningServer } from '../test/running-server.ts';
import { testEngine } from '../test/test-database.ts';

interface OpenJob {
  id: string;
  revision: number;
  document: Job;
}
interface Refusal {
  error: { status: number; message: string; faults?: { path: string; message: string }[]; current?: OpenJob };
}

let server: RunningServer;
const folder = newFolder();
beforeAll(async () => {
  server = await startServer(folder);
});
afterAll(() => server.stop('SIGTERM'));

const create = async (title: string): Promise<OpenJob> =>
  (await server.ask('POST', '/jobs', { document: newJob(title) })).json;
const titles = async (): Promise<string[]> =>
  ((await server.ask('GET', '/jobs')).json as { title: string }[]).map(({ title }) => title);

test('answers health, and starts with an empty list', async () => {
  expect((await server.ask('GET', '/health')).json).toEqual({ status: 'ready', engine: testEngine() });
  expect(await titles()).toEqual([]);
});

test('a job is created, read, saved with its revision counted up, and listed', async () => {
  const made = await create('Divider');
  expect(made.revision).toBe(1);
  const document: Job = { ...made.document, title: 'Divider, mended' };
  const saved = (await server.ask('PUT', `/jobs/${made.id}`, { revision: 1, document })).json as OpenJob;
  expect(saved).toMatchObject({ revision: 2, document });
  expect((await server.ask('GET', `/jobs/${made.id}`)).json).toMatchObject({ revision: 2, document });
  expect((await server.ask('GET', '/jobs')).json).toContainEqual(
    expect.objectContaining({ id: made.id, title: 'Divider, mended', parts: 2, setups: 0, revision: 2 }),
  );
});

test('a stale revision is refused with the newest version, and changes nothing', async () => {
  const made = await create('Contested');
  const mine: Job = { ...made.document, title: 'Mine' };
  const theirs: Job = { ...made.document, title: 'Theirs' };
  await server.ask('PUT', `/jobs/${made.id}`, { revision: 1, document: theirs });
  const refused = await server.ask('PUT', `/jobs/${made.id}`, { revision: 1, document: mine });
  expect(refused.status).toBe(409);
  expect((refused.json as Refusal).error.current).toMatchObject({ id: made.id, revision: 2, document: theirs });
  expect((await server.ask('GET', `/jobs/${made.id}`)).json).toMatchObject({ revision: 2, document: theirs });
});

test('the same version sent again is saved already: a page that was left did not hear so', async () => {
  const made = await create('Sent twice');
  const document: Job = { ...made.document, title: 'Sent twice, and once' };
  const save = () => server.ask('PUT', `/jobs/${made.id}`, { revision: 1, document });
  expect((await save()).json).toMatchObject({ revision: 2 });
  const again = await save();
  expect(again.status).toBe(200);
  expect(again.json).toMatchObject({ revision: 2, document });
});

test('of many saves of one revision at once exactly one is taken', async () => {
  const made = await create('Race');
  const answers = await Promise.all(
    Array.from({ length: 12 }, (_, i) =>
      server.ask('PUT', `/jobs/${made.id}`, { revision: 1, document: { ...made.document, title: `Race ${i}` } }),
    ),
  );
  expect(answers.filter(({ status }) => status === 200)).toHaveLength(1);
  expect(answers.filter(({ status }) => status === 409)).toHaveLength(11);
});

test('a copy is a job of its own', async () => {
  const made = await create('Original');
  const copy = (await server.ask('POST', `/jobs/${made.id}/duplicate`)).json as OpenJob;
  expect(copy).toMatchObject({ revision: 1, document: { ...made.document, title: 'Original (copy)' } });
  expect(copy.id).not.toBe(made.id);
});

test('an archived job is gone from everything until it is restored', async () => {
  const made = await create('Bin');
  expect((await server.ask('DELETE', `/jobs/${made.id}`)).status).toBe(204);
  expect(await titles()).not.toContain('Bin');
  for (const [method, path, body] of [
    ['GET', '', undefined],
    ['PUT', '', { revision: 1, document: made.document }],
    ['DELETE', '', undefined],
    ['POST', '/duplicate', undefined],
    ['GET', '/export', undefined],
  ] as const)
    expect((await server.ask(method, `/jobs/${made.id}${path}`, body)).status).toBe(404);
  // A list that was shown just before may still ask for its picture.
  expect((await server.ask('GET', `/jobs/${made.id}/drawing`)).status).toBe(200);
  const later = await create('Bin too');
  await server.ask('DELETE', `/jobs/${later.id}`);
  const archived = async () => (await server.ask('GET', '/jobs/archived')).json as JobSummary[];
  expect((await archived()).map(({ title }) => title)).toEqual(['Bin too', 'Bin']);
  expect(new Date((await archived())[1]!.archivedAt!).toISOString()).toBe((await archived())[1]!.archivedAt);
  expect((await server.ask('POST', `/jobs/${made.id}/restore`)).json).toMatchObject({
    id: made.id,
    document: made.document,
  });
  expect(await titles()).toContain('Bin');
  expect((await archived()).map(({ title }) => title)).toEqual(['Bin too']);
});

test('what is exported imports as the same job', async () => {
  const made = await create('Ship-to-shore loop, Ω');
  const file = await server.ask('GET', `/jobs/${made.id}/export`);
  expect(file.headers.get('content-disposition')).toBe('attachment; filename="ship-to-shore-loop.job.json"');
  const imported = (await server.ask('POST', '/jobs/import', file.text)).json as OpenJob;
  expect(imported.document).toEqual(made.document);
  expect(imported.id).not.toBe(made.id);
});

test('an import must be sound as a whole; every fault has its path', async () => {
  const broken = {
    ...newJob('x'),
    colour: 1,
    network: { elements: [{ id: 'R1', kind: 'resistor', from: 'A', to: '0', resistance: -1 }, null] },
  };
  const refused = await server.ask('POST', '/jobs/import', broken);
  expect(refused.status).toBe(400);
  expect((refused.json as Refusal).error.faults!.map(({ path }) => path)).toEqual([
    'colour',
    'network.elements[1]',
    'network.elements[0].resistance',
  ]);
});

test.each([
  ['a body that is not JSON', '{"revision":', 400],
  ['a list', '[]', 400],
  ['nothing', 'null', 400],
  ['text', '"job"', 400],
  ['a revision in words', { revision: 'one', document: newJob('x') }, 400],
  ['no document', { revision: 1 }, 400],
  ['an unknown key', { revision: 1, document: newJob('x'), force: true }, 400],
  ['a document of another kind', { revision: 1, document: { format: 'usual-drag/design' } }, 400],
  ['a document far too large', { revision: 1, document: { ...newJob('x'), title: 'x'.repeat(5_000_000) } }, 413],
  ['a document that is very deep', `{"revision":1,"document":${'['.repeat(50_000)}${']'.repeat(50_000)}}`, 400],
])('refuses %s', async (_, body, status) => {
  const made = await create('Target');
  const refused = await server.ask('PUT', `/jobs/${made.id}`, body);
  expect(refused.status).toBe(status);
  expect((refused.json as Refusal).error.message.length).toBeGreaterThan(10);
  expect(refused.text).not.toMatch(/\n\s+at |node_modules|\.js:\d/);
  expect((await server.ask('GET', `/jobs/${made.id}`)).json).toMatchObject({ revision: 1, document: made.document });
});

test.each([
  ['GET', '/jobs/none'],
  ['GET', '/nowhere'],
  ['PATCH', '/jobs'],
  ['POST', '/jobs/none/duplicate'],
  ['POST', '/jobs/none/restore'],
  ['GET', '/jobs/%00'],
])('%s %s is not there', async (method, path) => {
  const refused = await server.ask(method, path);
  expect(refused.status).toBe(404);
  expect((refused.json as Refusal).error.message).toBeTruthy();
});

test('an id that tries to be SQL finds nothing and breaks nothing', async () => {
  const before = await titles();
  expect((await server.ask('DELETE', `/jobs/${encodeURIComponent("' OR 1=1; DROP TABLE jobs; --")}`)).status).toBe(404);
  expect(await titles()).toEqual(before);
});

test('the interface is described, and every request has its schema', async () => {
  const { paths, components } = (await server.ask('GET', '/docs-json')).json as {
    paths: object;
    components: { schemas: object };
  };
  expect(Object.keys(paths)).toEqual(
    expect.arrayContaining(['/api/health', '/api/jobs', '/api/jobs/{id}', '/api/jobs/import', '/api/instruments']),
  );
  expect(Object.keys(components.schemas)).toEqual(
    expect.arrayContaining(['JobDto', 'SaveJobDto', 'InstrumentDto', 'KitDto', 'SaveInstrumentDto']),
  );
  expect((await server.ask('GET', '/docs')).text).toContain('<div id="swagger-ui">');
});

test('any other address opens the web application', async () => {
  const page = await fetch(`${server.address}/bench/some-job/setups`);
  expect(page.headers.get('content-type')).toMatch(/html/);
  expect(await page.text()).toContain('<div id="root">');
});
