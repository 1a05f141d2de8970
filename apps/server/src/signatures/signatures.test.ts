import type { KeptSignature, SignedJob } from '@usual-drag/contract';
import { documentHash, floatLevelDivider, builtInKit, instrumentForJob, makeReport, type Job } from '@usual-drag/core';
import { newFolder, startServer, type RunningServer } from '../test/running-server.ts';

interface Stored {
  readonly id: string;
  readonly revision: number;
  readonly document: Job;
}

const folder = newFolder();
let server: RunningServer;
beforeAll(async () => {
  server = await startServer(folder);
});
afterAll(() => server.stop('SIGTERM'));

const divider = floatLevelDivider(builtInKit.map(instrumentForJob));
const create = async (document: Job = divider): Promise<Stored> =>
  (await server.ask('POST', '/jobs', { document })).json;
const body = ({ revision, document }: Stored, more: object = {}) => ({
  revision,
  hash: documentHash(document),
  by: 'J. Marsh',
  sections: ['result', 'readings', 'instruments'],
  restored: ['Supply off'],
  ...more,
});
const sign = (job: Stored, more: object = {}) => server.ask('POST', `/jobs/${job.id}/signatures`, body(job, more));
const listed = async ({ id }: Stored): Promise<KeptSignature[]> =>
  (await server.ask('GET', `/jobs/${id}/signatures`)).json;

test('a signature freezes the job as it was, with what the kit said of its instruments', async () => {
  const noted = {
    ...builtInKit.find(({ id }) => id === 'digital-2000')!,
    assetTag: 'SL-207',
    calibratedOn: '2026-03-02',
    calibrationMonths: 6,
  };
  await server.ask('PUT', '/instruments/digital-2000', { revision: 0, document: noted });
  const job = await create();
  const kept = (await sign(job)).json as KeptSignature;
  expect(kept).toMatchObject({ by: 'J. Marsh', revision: 1, hash: documentHash(divider), restored: ['Supply off'] });
  expect(kept.kit['digital-2000']).toEqual({ assetTag: 'SL-207', calibratedOn: '2026-03-02', calibrationMonths: 6 });
  expect(Object.keys(kept.kit).every((id) => divider.instruments!.some((one) => one.id === id))).toBe(true);

  const document = { ...divider, title: 'Edited afterwards' };
  await server.ask('PUT', `/jobs/${job.id}`, { revision: 1, document });
  await server.ask('PUT', '/instruments/digital-2000', {
    revision: 1,
    document: { ...noted, calibratedOn: '2026-11-27' },
  });
  const signed = (await server.ask('GET', `/jobs/${job.id}/signatures/${kept.entry}`)).json as SignedJob;
  expect(signed.document).toEqual(divider);
  expect(documentHash(signed.document)).toBe(signed.hash);
  expect(signed.kit['digital-2000']!.calibratedOn).toBe('2026-03-02');
  const frozen = makeReport(signed.document, { signature: signed });
  const edited = makeReport(document, { signature: signed });
  expect(frozen.ok && frozen.value.state).toBe('signed');
  expect(edited.ok && edited.value.state).toBe('changed');
});

test('it is kept over a restart, and over hundreds of later versions', async () => {
  const job = await create({ ...divider, title: 'Kept' });
  const kept = (await sign(job)).json as KeptSignature;
  for (let revision = 1; revision <= 30; revision += 1)
    await server.ask('PUT', `/jobs/${job.id}`, { revision, document: { ...divider, title: `Edit ${revision}` } });
  await server.stop('SIGTERM');
  server = await startServer(folder);
  expect(await listed(job)).toEqual([kept]);
  const signed = (await server.ask('GET', `/jobs/${job.id}/signatures/${kept.entry}`)).json as SignedJob;
  expect(signed.document.title).toBe('Kept');
});

test('signed twice by one person it is signed once; by another, or after an edit, once more', async () => {
  const job = await create();
  const first = (await sign(job)).json as KeptSignature;
  expect((await sign(job)).json).toEqual(first);
  await sign(job, { by: 'A. Reed' });
  const edited = (await server.ask('PUT', `/jobs/${job.id}`, { revision: 1, document: { ...divider, title: 'Again' } }))
    .json as Stored;
  await sign(edited);
  expect((await listed(job)).map(({ by, revision }) => [by, revision])).toEqual([
    ['J. Marsh', 2],
    ['A. Reed', 1],
    ['J. Marsh', 1],
  ]);
});

test('what was not on the screen is not signed: another revision, another document', async () => {
  const job = await create();
  const stale = await sign({ ...job, revision: 2 });
  expect(stale.status).toBe(409);
  expect((stale.json as { error: { current: Stored } }).error.current).toMatchObject({ id: job.id, revision: 1 });
  expect((await sign(job, { hash: documentHash({ ...divider, title: 'Another' }) })).status).toBe(409);
  expect((await server.ask('POST', '/jobs/nowhere/signatures', body(job))).status).toBe(404);
  expect(await listed(job)).toEqual([]);
  expect((await server.ask('GET', `/jobs/${job.id}/signatures/99999`)).status).toBe(404);
  expect((await server.ask('GET', `/jobs/${job.id}/signatures/one`)).status).toBe(404);
});

test('a job that cannot be worked out is not signed, and says why', async () => {
  const broken: Job = {
    ...divider,
    readings: [],
    network: {
      elements: [
        { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 5 },
        { id: 'E2', kind: 'source', from: 'A', to: '0', emf: 6 },
      ],
    },
    setups: [],
  };
  const refused = await sign(await create(broken));
  expect(refused.status).toBe(400);
  expect((refused.json as { error: { message: string } }).error.message).toMatch(/cannot be signed yet.*E1.*E2/);
});

test.each([
  ['by', ''],
  ['by', '   '],
  ['by', 'x'.repeat(65)],
  ['hash', 'abc'],
  ['revision', 0],
  ['sections', ['tea']],
  ['sections', ['result', 'result']],
  ['restored', ['x'.repeat(201)]],
  ['restored', 'all'],
  ['more', 1],
])('%s %j is refused with its path', async (key, value) => {
  const refused = await sign(await create(), { [key]: value });
  expect(refused.status).toBe(400);
  expect((refused.json as { error: { faults: { path: string }[] } }).error.faults[0]!.path).toBe(key);
});

test('what was signed of a job goes when the job is deleted for good, and not before', async () => {
  const job = await create();
  await sign(job);
  await server.ask('DELETE', `/jobs/${job.id}`);
  expect(await listed(job)).toHaveLength(1);
  expect((await sign(job)).status).toBe(404);
  await server.ask('DELETE', `/archived/jobs/${job.id}`);
  expect(await listed(job)).toEqual([]);
});
