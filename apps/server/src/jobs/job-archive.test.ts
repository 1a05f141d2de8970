import { newJob, type Job } from '@usual-drag/core/job';
import fc from 'fast-check';
import { strToU8, zipSync, type Zippable } from 'fflate';
import { packJobs, unpackArchive } from './job-archive.ts';

const jobs: Job[] = ['Divider', 'Divider', 'Überlauf', '…'].map((title) => newJob(title));
const files = (archive: Uint8Array) => unpackArchive(archive);
const zip = (entries: Zippable): Uint8Array => zipSync(entries);
const fault = async (archive: Uint8Array): Promise<string> => {
  const read = await files(archive);
  return read.ok ? '' : read.fault;
};

test('what is packed is unpacked as it was, each file under a name of its own', async () => {
  const read = await files(packJobs(jobs));
  expect(read.ok && read.value.map(({ text }) => JSON.parse(text) as Job)).toEqual(jobs);
  expect(read.ok && read.value.map(({ name }) => name)).toEqual([
    'divider.job.json',
    'divider-2.job.json',
    'berlauf.job.json',
    'job.job.json',
  ]);
});

test('an archive with any bit of a file changed is refused whole, or says the same', async () => {
  const archive = packJobs(jobs);
  const whole = await files(archive);
  let refused = 0;
  await fc.assert(
    fc.asyncProperty(fc.nat(archive.length * 8 - 1), async (bit) => {
      const changed = Uint8Array.from(archive);
      changed[bit >> 3]! ^= 1 << (bit & 7);
      const read = await files(changed);
      if (!read.ok) {
        refused += 1;
        expect(read.fault).toMatch(/damaged|not a ZIP|no \*\.job\.json|unpacks to more|at most|UTF-8/);
      } else if (whole.ok) {
        // A bit of a name, a date or an attribute: nothing that is imported.
        expect(whole.value.map(({ text }) => text)).toEqual(expect.arrayContaining(read.value.map(({ text }) => text)));
      }
    }),
    { numRuns: 500 },
  );
  expect(refused).toBeGreaterThan(250);
});

test('what is no archive, or has no job, is said', async () => {
  expect(await fault(new Uint8Array(0))).toContain('not a ZIP archive');
  expect(await fault(strToU8('no archive'))).toContain('not a ZIP archive');
  expect(await fault(zip({ 'a.txt': strToU8('a') }))).toContain('no *.job.json');
  expect(await fault(zip({ 'a.job.json': new Uint8Array([0xff, 0xfe]) }))).toContain('not UTF-8');
});

test('a small archive that unpacks to much is refused before it is unpacked', async () => {
  const brackets = new Uint8Array(5 * 2 ** 20).fill(91);
  expect(await fault(zip({ 'a.job.json': brackets }))).toContain('more than 4 MB');
  const space = new Uint8Array(4 * 2 ** 20).fill(32);
  const many: Zippable = Object.fromEntries(
    Array.from({ length: 33 }, (_, k) => [`${k}.job.json`, [space, { level: 1 }]]),
  );
  expect(await fault(zip(many))).toContain('more than 128 MB');
  // Most of it is making the archive.
}, 90_000);

test('a file that is longer than it says is not unpacked further', async () => {
  const archive = zip({ 'a.job.json': new Uint8Array(2 ** 20).fill(91) });
  const view = new DataView(archive.buffer, archive.byteOffset);
  const directory = view.getUint32(archive.length - 6, true);
  expect(view.getUint32(directory, true)).toBe(0x02014b50);
  view.setUint32(directory + 24, 1000, true);
  expect(await fault(archive)).toContain('damaged');
});

test('entries that share bytes, and more files than an archive may have, are refused', async () => {
  const one = zip({ 'a.job.json': strToU8(JSON.stringify(newJob('x'))) });
  const view = new DataView(one.buffer, one.byteOffset);
  const directory = view.getUint32(one.length - 6, true);
  const entry = one.slice(directory, one.length - 22);
  const repeated = (count: number): Uint8Array => {
    const end = one.slice(one.length - 22);
    const ends = new DataView(end.buffer);
    ends.setUint16(8, count, true);
    ends.setUint16(10, count, true);
    ends.setUint32(12, entry.length * count, true);
    return Uint8Array.from([
      ...one.slice(0, directory),
      ...Array.from({ length: count }, () => [...entry]).flat(),
      ...end,
    ]);
  };
  expect(await fault(repeated(1))).toBe('');
  expect(await fault(repeated(2))).toContain('damaged');
  expect(await fault(repeated(2001))).toContain('2001 files; at most 2000');
});
