import { nextProblem, progressOf, type Attempt } from './attempts.ts';
import { newSeries, readSeries } from './problems/problem-series.ts';

const attempt = (kind: Attempt['kind'], right: boolean, more: Partial<Attempt> = {}): Attempt => ({
  person: 'J. Marsh',
  kind,
  level: 1,
  seed: 1,
  right,
  slip: null,
  hints: 0,
  seconds: 40,
  ...more,
});

test('what goes well and what does not: right without a hint counts, the slips the most frequent first', () => {
  const progress = progressOf([
    attempt('shunt', false, { slip: 'coil-added' }),
    attempt('shunt', false, { slip: 'prefix' }),
    attempt('shunt', false, { slip: 'prefix' }),
    attempt('shunt', true, { hints: 1 }),
    attempt('voltmeter', true),
    attempt('fault-hunt', true),
  ]);
  expect(progress.map(({ kind }) => kind)).toEqual(['voltmeter', 'shunt', 'fault-hunt']);
  expect(progress[1]).toMatchObject({
    attempts: 4,
    right: 0,
    lately: 0,
    slips: [
      { slip: 'prefix', times: 2 },
      { slip: 'coil-added', times: 1 },
    ],
  });
});

test('the next problem is drawn where it does not go well, a level up after three right, one down after two wrong', () => {
  const kinds = ['voltmeter', 'shunt'] as const;
  const good = Array.from({ length: 3 }, () => attempt('voltmeter', true));
  expect(nextProblem([...good, attempt('shunt', false)], kinds)).toEqual({ kind: 'shunt', level: 1 });
  expect(nextProblem(good, ['voltmeter'])).toEqual({ kind: 'voltmeter', level: 2 });
  const bad = [attempt('shunt', false, { level: 3 }), attempt('shunt', false, { level: 3 })];
  expect(nextProblem(bad, ['shunt'])).toEqual({ kind: 'shunt', level: 2 });
  expect(nextProblem([]).level).toBe(1);
  // One that was never tried comes before one that goes well.
  expect(nextProblem(good, kinds).kind).toBe('shunt');
});

test('a series is read as it was written, and refused with the reason where it is not one', () => {
  const series = newSeries('Week 3', ['voltmeter', 'shunt'], 2, 5, 40);
  expect(series.problems.map(({ kind, seed }) => `${kind} ${seed}`)).toEqual([
    'voltmeter 40',
    'shunt 41',
    'voltmeter 42',
    'shunt 43',
    'voltmeter 44',
  ]);
  expect(readSeries(JSON.stringify(series))).toEqual({ ok: true, value: series });
  const refusal = (text: string): string => {
    const read = readSeries(text);
    return read.ok ? '' : read.fault;
  };
  expect(refusal('{')).toContain('not JSON');
  expect(refusal('null')).toContain('usual-drag/problem-series');
  expect(refusal(JSON.stringify({ ...series, more: 1 }))).toContain('more is not a key');
  expect(refusal(JSON.stringify({ ...series, title: 3 }))).toContain('title');
  expect(refusal(JSON.stringify({ ...series, problems: [] }))).toContain('1 to 200');
  expect(refusal(JSON.stringify({ ...series, problems: [{ kind: 'tea', level: 1, seed: 1 }] }))).toContain(
    'problems[0]',
  );
});
