import type { StoredDocument } from '@usual-drag/contract';
import { solveMeterProject, type MeterProject } from '@usual-drag/core/workshop';
import { sampleMeterProjects } from '../demo/sample-meter-projects.ts';
import type { Refusal } from '../http/faults.ts';
import { newFolder, startServer, type RunningServer } from '../test/running-server.ts';

let server: RunningServer;
const folder = newFolder();
beforeAll(async () => {
  server = await startServer(folder);
});
afterAll(() => server.stop('SIGTERM'));

const projects = async (): Promise<StoredDocument<MeterProject>[]> => (await server.ask('GET', '/meter-projects')).json;
const put = (id: string, body: unknown) => server.ask('PUT', `/meter-projects/${id}`, body);

const [own] = sampleMeterProjects as [(typeof sampleMeterProjects)[number]];

test('a meter project is added, edited, and kept over a restart', async () => {
  expect(await projects()).toEqual([]);
  expect((await put(own.id, { document: own })).json).toMatchObject({ revision: 1 });
  const edited = {
    ...own,
    movement: {
      figures: { fullScaleCurrent: 1e-4, fullScaleVoltage: 0.18 },
      builtIn: { kind: 'shunt', resistance: 12, figuresOf: 'meter', stays: false },
      swamping: 5200,
    },
    parts: { ...own.parts, stock: [{ resistance: 10, count: 4, tolerance: 0.001 }], trimmed: true },
    fuse: { rating: 3.15, resistance: 0.02 },
    instrument: { id: 'feed', version: 2 },
  };
  const saved = (await put(own.id, { document: edited, revision: 1 })).json as StoredDocument<MeterProject>;
  expect(saved.revision).toBe(2);
  await server.stop('SIGTERM');
  server = await startServer(folder);
  expect(await projects()).toMatchObject([{ id: own.id, revision: 2, document: edited }]);
});

test('what cannot be built yet is kept all the same', async () => {
  const unfinished = {
    ...own,
    id: 'unfinished',
    movement: { figures: {} },
    sides: [{ ...own.sides[0], ranges: [1e-6] }],
  };
  expect((await put('unfinished', { document: unfinished })).status).toBe(200);
});

test('an edit of a stale revision is refused with the newest', async () => {
  const refused = await put(own.id, { document: own, revision: 1 });
  expect(refused.status).toBe(409);
  const { error } = refused.json as { error: { current: StoredDocument<MeterProject> } };
  expect(error.current.revision).toBe(2);
  expect((await put('nobody', { document: { ...own, id: 'nobody' }, revision: 3 })).status).toBe(404);
});

test.each([
  [{ ...own, colour: 'red' }, 'document.colour'],
  [{ ...own, id: 'other' }, 'document.id'],
  [{ ...own, sides: [] }, 'document.sides'],
  [{ ...own, sides: [{ ...own.sides[0], scheme: 'ladder' }] }, 'document.sides[0].scheme'],
  [{ ...own, movement: { figures: { coil: 4 } } }, 'document.movement.figures.coil'],
  [{ ...own, divisions: 12.5 }, 'document.divisions'],
  [{ ...own, parts: { ...own.parts, stock: [{ resistance: -1 }] } }, 'document.parts.stock[0].resistance'],
  [{ ...own, fuse: { rating: 1 } }, 'document.fuse.resistance'],
])('%j is refused at %s', async (document, path) => {
  const refused = await put(own.id, { document, revision: 2 });
  expect(refused.status).toBe(400);
  expect((refused.json as Refusal).error.faults![0]!.path).toBe(path);
});

test('the sample meter projects can be built: full scale within the worst case of one per cent parts', () => {
  for (const piece of sampleMeterProjects) {
    const solved = solveMeterProject(piece);
    if (!solved.ok) throw new Error(solved.fault.message);
    for (const { asBuilt } of solved.value.map(({ result }) => result))
      for (const { worstCase } of asBuilt) expect(Math.max(...worstCase.map(Math.abs))).toBeLessThan(0.025);
  }
});
