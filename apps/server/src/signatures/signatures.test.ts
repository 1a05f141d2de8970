import type { DamagedDocument, KeptSignature, SignedJob } from '@usual-drag/contract';
import { builtInKit, instrumentForJob } from '@usual-drag/core/instrument';
import { floatLevelDivider, type Job } from '@usual-drag/core/job';
import { documentHash, makeReport } from '@usual-drag/core/report';
import { newFolder, startServer, type RunningServer } from '../test/running-server.ts';
import { changeStored } from '../test/change-stored.ts';

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

test.each([
  ['invisible', '\u200b\u200b'],
  ['a filler letter', '\u3164'],
  ['only marks', '…'],
  ['with a line break', 'J.\nMarsh'],
  ['written backwards', '\u202eJ. Marsh'],
])('a name that is %s is refused', async (_, by) => {
  const refused = await sign(await create(), { by });
  expect([refused.status, refused.text]).toEqual([400, expect.stringContaining('a name that can be read')]);
});

test('nothing ticked and no section is no signature', async () => {
  const refused = await sign(await create(), { sections: [], restored: [] });
  expect([refused.status, refused.text]).toEqual([400, expect.stringContaining('nothing would be signed')]);
});

test('the notes on an instrument are in the signature whatever its id is', async () => {
  const id = '__proto__';
  expect((await server.ask('PUT', `/instruments/${id}`, { document: { id, assetTag: 'SL-9' } })).status).toBe(200);
  const job = await create({ ...divider, instruments: [...divider.instruments!, { id }] });
  expect((await sign(job)).text).toContain('"__proto__":{"assetTag":"SL-9"}');
});

test('a signature that was changed in the database is set aside: it hides no other, and is named', async () => {
  const own = newFolder();
  const before = await startServer(own);
  const made = (await before.ask('POST', '/jobs', { document: divider })).json as Stored;
  const signers = ['A. Reed', 'B. Sims', 'C. Tate', 'D. Usher', 'E. Vane', 'F. Wills'];
  for (const by of signers)
    expect((await before.ask('POST', `/jobs/${made.id}/signatures`, body(made, { by }))).status).toBe(201);
  await before.stop();
  for (const [entry, set] of [
    [1, "signed_by = 'X. Other'"],
    [2, "signed_at = '2026-01-01T00:00:00.000Z'"],
    [3, "restored = '[]'"],
    [4, "kit = 'no JSON'"],
    [5, "document = replace(document, 'R1', 'R7')"],
  ] as const)
    await changeStored(own, `update signatures set ${set} where entry = ${entry}`);
  const after = await startServer(own);
  const list = (await after.ask('GET', `/jobs/${made.id}/signatures`)).json as KeptSignature[];
  // That the job in it is another is found when it is opened.
  expect(list.map(({ by }) => by)).toEqual(['F. Wills', 'E. Vane']);
  for (const entry of [1, 2, 3, 4, 5]) {
    const opened = await after.ask('GET', `/jobs/${made.id}/signatures/${entry}`);
    expect([entry, opened.status]).toEqual([entry, 422]);
    expect((await after.ask('GET', `/damaged/signatures/${entry}`)).text).toContain('"seal"');
  }
  expect((await after.ask('GET', `/jobs/${made.id}/signatures/6`)).status).toBe(200);
  const damaged = (await after.ask('GET', '/damaged')).json as DamagedDocument[];
  expect(damaged.map(({ kind, id }) => `${kind}/${id}`)).toEqual([1, 2, 3, 4, 5].map((entry) => `signatures/${entry}`));
  await after.stop();
});
