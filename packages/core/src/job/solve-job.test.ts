import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { editElement, keepInstrument, newJob, putMeter, putSetup, removeSetup } from './edits/job-edits.ts';
import type { Job } from './job.ts';
import { jobFaults, solveJob } from './solve-job.ts';

const vectors = (family: string): { job: Job; result: Record<string, unknown> }[] =>
  readFileSync(join(__dirname, '../../vectors', `${family}.jsonl`), 'utf8')
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as { job: Job; result: Record<string, unknown> });

/** Paths at which two results differ by more than 1e-9, and by more than 1e-12 of the largest figure beside them. */
function differences(computed: unknown, wanted: unknown, path = '', largest = 0): string[] {
  if (/\/(display|unit)$/.test(path)) return [];
  if (typeof wanted === 'number' && typeof computed === 'number') {
    const off = Math.abs(computed - wanted);
    return off <= 1e-9 * Math.abs(wanted) || off <= 1e-12 * largest ? [] : [`${path}: ${computed} for ${wanted}`];
  }
  if (typeof wanted !== 'object' || wanted === null || typeof computed !== 'object' || computed === null)
    return Object.is(computed, wanted) ? [] : [`${path}: ${String(computed)} for ${String(wanted)}`];
  const keys = new Set([...Object.keys(computed), ...Object.keys(wanted)]);
  return [...keys].flatMap((key) =>
    differences(
      (computed as Record<string, unknown>)[key],
      (wanted as Record<string, unknown>)[key],
      `${path}/${key}`,
      path.endsWith('elements') || path.endsWith('nodes') ? sizeOf(wanted, key) : largest,
    ),
  );
}

const sizeOf = (group: object, key: string): number => {
  const one = (group as Record<string, unknown>)[key];
  if (typeof one === 'number') return Math.max(...Object.values(group).map((v) => Math.abs(Number(v ?? 0))));
  return Math.max(...Object.values(group).map((v) => Math.abs((v as { voltage: number } | null)?.voltage ?? 0)));
};

test.each(['ladder', 'seriesparallel', 'mesh', 'bridge', 'span', 'multi', 'meters'])('worked cases: %s', (family) => {
  const cases = vectors(family);
  expect(cases.length).toBeGreaterThan(5);
  for (const { job, result } of cases) {
    const solved = solveJob(job);
    expect([job.title, solved.ok ? differences(solved.value, result) : solved.fault]).toEqual([job.title, []]);
  }
});

/** Every figure of a result by its path, with the largest of its kind in the job. */
function figures(result: unknown): Map<string, { readonly value: unknown; readonly largest: number }> {
  const found = new Map<string, unknown>();
  const visit = (value: unknown, path: string): void => {
    if (typeof value === 'object' && value !== null)
      for (const [key, inner] of Object.entries(value)) visit(inner, `${path}/${key}`);
    else found.set(path, value);
  };
  visit(result, '');
  const kind = (path: string): string => {
    const [last = ''] = path.split('/').slice(-1);
    if (path.includes('/nodes/') || last === 'voltage' || /\/meters\/V/.test(path)) return 'V';
    return last === 'power' ? 'W' : 'A';
  };
  const largest = new Map<string, number>();
  for (const [path, value] of found) {
    if (typeof value !== 'number' || /esistance$|relativeError$|version$/.test(path)) continue;
    largest.set(kind(path), Math.max(largest.get(kind(path)) ?? 0, Math.abs(value)));
  }
  return new Map([...found].map(([path, value]) => [path, { value, largest: largest.get(kind(path))! }]));
}

test('worked cases: loads', () => {
  const cases = vectors('loads');
  expect(cases.length).toBeGreaterThan(25);
  for (const { job, result } of cases) {
    const solved = solveJob(job);
    if ('error' in result) {
      expect([job.title, solved.ok ? 'solved' : solved.fault.code]).toEqual([job.title, 'invalid-value']);
      continue;
    }
    if (!solved.ok) throw new Error(`${job.title}: ${solved.fault.message}`);
    const wanted = figures(result);
    const computed = figures(solved.value);
    const off = [...wanted].filter(([path, { value, largest }]) => {
      if (/\/(display|unit)$/.test(path)) return false;
      const other = computed.get(path)?.value;
      if (typeof value !== 'number' || typeof other !== 'number') return other !== value;
      if (path.endsWith('sourceResistance')) return Math.abs(other - value) > 1e-9 * Math.abs(value);
      return Math.abs(other - value) > 1e-12 * (path.endsWith('relativeError') ? Math.abs(value) + 1 : largest);
    });
    expect([job.title, off]).toEqual([job.title, []]);
  }
});

test('worked cases: bad', () => {
  for (const { job, result } of vectors('bad')) {
    const solved = solveJob(job);
    const { code } = (result as { error: { code: string } }).error;
    expect([job.title, solved.ok ? 'solved' : solved.fault.code]).toEqual([job.title, code]);
    expect(!solved.ok && solved.fault.message.length).toBeGreaterThan(20);
  }
});

const job = newJob('Bench');
const instrument = {
  id: 'm',
  functions: [{ quantity: 'dc-current' as const, ranges: [{ id: '1 A', fullScale: 1, resistance: 0.1 }] }],
};
const setup = { id: 'S-1', meters: [] };
const amps = { id: 'A1', instrument: 'm', quantity: 'dc-current' as const, range: '1 A', node: 'A', ends: ['R1.from'] };
const metered = putMeter(keepInstrument(job, instrument), setup, amps);

test('a new job is sound and solves', () => {
  expect(jobFaults(job)).toEqual([]);
  const solved = solveJob(job);
  expect(solved.ok && solved.value.true.elements.R1!.voltage).toBeCloseTo(12 * (10_000 / 10_000.5), 12);
});

test('lifted ends follow a part that is renamed', () => {
  const renamed = editElement(metered, 'R1', { ...metered.network.elements[1]!, id: 'Rtop' });
  expect(renamed.setups![0]!.meters[0]).toMatchObject({ ends: ['Rtop.from'] });
  expect(jobFaults(renamed)).toEqual([]);
  expect(editElement(renamed, 'Rtop', metered.network.elements[1]!)).toEqual(metered);
});

test('a meter is put in once and then replaced', () => {
  const moved = putMeter(metered, metered.setups![0]!, { ...amps, ends: ['E1.from'] });
  expect(moved.setups![0]!.meters).toHaveLength(1);
  expect(putMeter(moved, moved.setups![0]!, amps)).toEqual(metered);
});

test('a set-up that is added and removed leaves the job as it was', () => {
  expect(removeSetup(putSetup(metered, 'S-2', { id: 'S-2', meters: [] }), 'S-2')).toEqual(metered);
});

test('an instrument that the job uses stays as it was', () => {
  expect(keepInstrument(metered, { ...instrument, name: 'Edited later' })).toBe(metered);
});

test('faults of a job come in the order in which they are to be mended', () => {
  const broken: Job = {
    ...metered,
    network: {
      elements: [metered.network.elements[0]!, { id: 'R1', kind: 'resistor', from: 'A', to: '0', resistance: 0 }],
    },
    instruments: [instrument, instrument],
    setups: [...metered.setups!, { id: 'S-1', meters: [{ ...amps, node: 'Q' }] }],
  };
  expect(jobFaults(broken).map((fault) => fault.code)).toEqual([
    'invalid-value',
    'duplicate-id',
    'duplicate-id',
    'unknown-node',
  ]);
});
