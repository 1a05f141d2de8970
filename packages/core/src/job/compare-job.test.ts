import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Comparison, ReadingSum } from '../readings/index.ts';
import type { Job } from './job.ts';
import { compareJob } from './job-questions.ts';

interface Case {
  readonly job: Job;
  readonly result: Comparison;
}

const cases = readFileSync(join(__dirname, '../../vectors/compare.jsonl'), 'utf8')
  .trim()
  .split('\n')
  .map((line) => JSON.parse(line) as Case);

/** Whether a figure is the exact one to 1e-9, or to 1e-12 of the largest of its reading. */
const same = (found: unknown, wanted: unknown, largest: number): boolean =>
  typeof found === 'number' && typeof wanted === 'number'
    ? Math.abs(found - wanted) <= Math.max(1e-9 * Math.abs(wanted), 1e-12 * largest)
    : Object.is(found, wanted);

function differences(found: object, wanted: object): string[] {
  const figures = Object.values(wanted).filter((v) => typeof v === 'number');
  const largest = Math.max(...figures.map(Math.abs), 0);
  // The cases were computed before `correctedUncertainty`, which `budget.jsonl` covers.
  return Object.keys(wanted).flatMap((key) => {
    const [a, b] = [found[key as never] as unknown, wanted[key as never] as unknown];
    return same(a, b, largest) ? [] : [`${key}: ${String(a)} for ${String(b)}`];
  });
}

/** A sum whichever way round it goes. */
function sumKey({ kind, terms }: ReadingSum): string {
  const turned = terms.map(({ reading, sign }) => `${sign > 0 ? '+' : '-'}${reading}`).sort();
  const other = terms.map(({ reading, sign }) => `${sign > 0 ? '-' : '+'}${reading}`).sort();
  return `${kind} ${[turned.join(' '), other.join(' ')].sort()[0]!}`;
}

test('worked cases: readings against what was to be expected, in exact arithmetic', () => {
  expect(cases.length).toBeGreaterThan(30);
  for (const { job, result } of cases) {
    const compared = compareJob(job);
    if (!compared.ok) throw new Error(compared.fault.message);
    const { readings, sums } = compared.value;
    const off = Object.entries(result.readings).flatMap(([id, wanted]) =>
      differences(readings[id] ?? {}, wanted).map((difference) => `${id} ${difference}`),
    );
    expect([job.title, off]).toEqual([job.title, []]);
    expect(Object.keys(readings).sort()).toEqual(Object.keys(result.readings).sort());
    // Another choice of independent loops is as good: those that both have are compared, and their number.
    const count = (of: readonly ReadingSum[], kind: string): number => of.filter((sum) => sum.kind === kind).length;
    for (const kind of ['loop', 'node'])
      expect([job.title, kind, count(sums, kind)]).toEqual([job.title, kind, count(result.sums, kind)]);
    const byKey = new Map(sums.map((sum) => [sumKey(sum), sum]));
    for (const wanted of result.sums) {
      const found = byKey.get(sumKey(wanted));
      if (wanted.kind === 'node') expect([job.title, found === undefined]).toEqual([job.title, false]);
      if (!found) continue;
      expect([job.title, found.verdict]).toEqual([job.title, wanted.verdict]);
      expect(found.uncertainty / wanted.uncertainty).toBeCloseTo(1, 9);
      expect(Math.abs(Math.abs(found.sum) - Math.abs(wanted.sum))).toBeLessThan(1e-9 * wanted.uncertainty + 1e-15);
    }
  }
});

interface BudgetCase {
  readonly job: Job;
  readonly expected: Readonly<
    Record<string, { readonly correctedUncertainty: number; readonly budget: Readonly<Record<string, number>> }>
  >;
}

const ofReading = new Set(['accuracy', 'certificate', 'resolution', 'spread']);

test('worked cases: the budget of every corrected value, in exact arithmetic', () => {
  const budgets = readFileSync(join(__dirname, '../../vectors/budget.jsonl'), 'utf8')
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as BudgetCase);
  let compared = 0;
  for (const { job, expected } of budgets) {
    const made = compareJob(job, { corrected: 'budget' });
    if (!made.ok) throw new Error(made.fault.message);
    for (const [id, wanted] of Object.entries(expected)) {
      const { correctedUncertainty, budget } = made.value.readings[id]!;
      expect([id, correctedUncertainty! / wanted.correctedUncertainty]).toEqual([id, expect.closeTo(1, 9)]);
      const found = new Map<string, number>([['reading', 0]]);
      for (const { of, contribution } of budget!) {
        const name = ofReading.has(of) ? 'reading' : of;
        found.set(name, Math.hypot(found.get(name) ?? 0, contribution));
      }
      for (const [name, contribution] of Object.entries(wanted.budget)) {
        expect([id, name, found.get(name)! / contribution]).toEqual([id, name, expect.closeTo(1, 9)]);
        compared += 1;
      }
      // What the cases leave out is negligible: the contributions combine to the whole.
      const whole = 2 * Math.hypot(...budget!.map(({ contribution }) => contribution));
      expect(whole / correctedUncertainty!).toBeCloseTo(1, 12);
    }
  }
  expect(compared).toBeGreaterThan(50);
});
