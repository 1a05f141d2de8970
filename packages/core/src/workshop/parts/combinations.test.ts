import fc from 'fast-check';
import { seriesValues } from '../../quantity/index.ts';
import { buyableValues, combinationsWithin, drawerOf, nearestCombination } from './combinations.ts';
import { runs } from '../../test/runs.ts';

/** The values of a series from 10 Ω to 100 kΩ. */
const bench = (series: 'E3' | 'E6' | 'E12'): number[] =>
  [10, 100, 1000, 10_000].flatMap((decade) =>
    seriesValues(series).map((value) => Number((value * decade).toPrecision(3))),
  );

/** Every resistance of one, two or three values, in series or in parallel. */
function bruteForce(values: readonly number[], maxParts: number): number[] {
  const all: number[] = [];
  values.forEach((a, i) => {
    all.push(a);
    if (maxParts < 2) return;
    values.slice(0, i + 1).forEach((b, j) => {
      all.push(a + b, 1 / (1 / a + 1 / b));
      if (maxParts < 3) return;
      values.slice(0, j + 1).forEach((c) => all.push(a + b + c, 1 / (1 / a + 1 / b + 1 / c)));
    });
  });
  return all;
}

const target = fc.double({ min: 1.5, max: 4, noNaN: true }).map((decade) => 10 ** decade);
const series = fc.constantFrom('E3' as const, 'E6' as const, 'E12' as const);

test('within bounds stands every combination that there is, once', () => {
  fc.assert(
    fc.property(target, series, fc.integer({ min: 1, max: 3 }), fc.double({ min: 1.0001, max: 1.1 }), (r, of, n, f) => {
      const values = bench(of);
      const found = combinationsWithin(r / f, r * f, drawerOf(Float64Array.from(values)), n);
      // What lies at a bound to the last digit may fall to either side.
      const inside = (x: number): boolean => x > (r / f) * (1 + 1e-12) && x < r * f * (1 - 1e-12);
      const wanted = bruteForce(values, n)
        .filter(inside)
        .sort((a, b) => a - b);
      const resistances = found
        .map(({ resistance }) => resistance)
        .filter(inside)
        .sort((a, b) => a - b);
      expect(resistances).toHaveLength(wanted.length);
      resistances.forEach((resistance, k) => expect(Math.abs(resistance / wanted[k]! - 1)).toBeLessThan(1e-12));
    }),
    { numRuns: runs(60) },
  );
});

test('the nearest combination is the nearest of all that there are', () => {
  fc.assert(
    fc.property(target, series, fc.integer({ min: 1, max: 3 }), (r, of, n) => {
      const values = bench(of);
      const found = nearestCombination(r, drawerOf(Float64Array.from(values)), n)!;
      const off = (x: number): number => Math.abs(Math.log(x / r));
      expect(off(found.resistance)).toBeLessThanOrEqual(Math.min(...bruteForce(values, n).map(off)) + 1e-12);
      expect(found.values.length).toBeLessThanOrEqual(n);
      for (const value of found.values) expect(values).toContain(value);
    }),
    { numRuns: runs(60) },
  );
});

test('as it is said so it is joined', () => {
  const drawer = drawerOf(Float64Array.from([10, 22, 47]));
  expect(nearestCombination(32, drawer, 2)).toEqual({ values: [10, 22], joined: 'series', resistance: 32 });
  const beside = nearestCombination(1 / (1 / 22 + 1 / 47), drawer, 2)!;
  expect(beside).toMatchObject({ values: [22, 47], joined: 'parallel' });
  expect(nearestCombination(47, drawer, 3)).toEqual({ values: [47], joined: 'single', resistance: 47 });
});

test('of equally near ones it is that of the fewest parts', () => {
  const drawer = drawerOf(Float64Array.from([10, 20, 30, 60]));
  expect(nearestCombination(60, drawer, 3)!.values).toEqual([60]);
  expect(nearestCombination(90, drawer, 3)!.values).toEqual([30, 60]);
});

test('beyond what the drawer can make stands its end, and what is not allowed is not taken', () => {
  const drawer = drawerOf(Float64Array.from([10, 22, 47]));
  expect(nearestCombination(1, drawer, 3)).toMatchObject({ values: [10, 10, 10], joined: 'parallel' });
  expect(nearestCombination(1e6, drawer, 2)).toMatchObject({ values: [47, 47], joined: 'series', resistance: 94 });
  expect(nearestCombination(47, drawer, 2, ({ values }) => values.length === 2)).toMatchObject({ values: [22, 22] });
  expect(nearestCombination(47, drawer, 2, () => false)).toBeNull();
});

test('the values that can be bought have exact decimals', () => {
  const e24 = buyableValues('E24');
  for (const value of [0.0047, 0.33, 4.7, 820, 56_000, 2.2e6]) expect([...e24]).toContain(value);
});
