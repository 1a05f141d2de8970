import fc from 'fast-check';
import { seriesValues } from '../quantity/index.ts';
import { fullScaleErrors } from './as-built.ts';
import { buyableValues, nearestCombinations } from './combinations.ts';
import type { Design } from './design.ts';
import { movementOf } from './movement.ts';
import { solveDesign } from './solve-design.ts';

/** The values of a series from 10 Ω to 100 kΩ. */
const bench = (series: 'E3' | 'E6' | 'E12'): number[] =>
  [10, 100, 1000, 10_000].flatMap((decade) =>
    seriesValues(series).map((value) => Number((value * decade).toPrecision(3))),
  );

/** The smallest error by ratio of any one, two or three values, in series or side by side. */
function bruteForce(target: number, values: readonly number[], maxParts: number): number {
  let best = Infinity;
  const look = (resistance: number): void => {
    best = Math.min(best, Math.abs(Math.log(resistance / target)));
  };
  values.forEach((a, i) => {
    look(a);
    if (maxParts < 2) return;
    values.slice(0, i + 1).forEach((b, j) => {
      look(a + b);
      look(1 / (1 / a + 1 / b));
      if (maxParts < 3) return;
      values.slice(0, j + 1).forEach((c) => {
        look(a + b + c);
        look(1 / (1 / a + 1 / b + 1 / c));
      });
    });
  });
  return best;
}

test('the nearest combination is the nearest of all that there are', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1.5, max: 4, noNaN: true }).map((decade) => 10 ** decade),
      fc.constantFrom('E3' as const, 'E6' as const, 'E12' as const),
      fc.integer({ min: 1, max: 3 }),
      (target, series, maxParts) => {
        const values = bench(series);
        const [found] = nearestCombinations(target, Float64Array.from(values), maxParts, 1);
        const off = Math.abs(Math.log(found!.resistance / target));
        expect(off).toBeLessThanOrEqual(bruteForce(target, values, maxParts) + 1e-12);
        expect(found!.values.length).toBeLessThanOrEqual(maxParts);
        for (const value of found!.values) expect(values).toContain(value);
      },
    ),
    { numRuns: 60 },
  );
});

test('as it is said so it is joined', () => {
  const values = Float64Array.from([10, 22, 47]);
  expect(nearestCombinations(32, values, 2, 1)[0]).toEqual({ values: [10, 22], joined: 'series', resistance: 32 });
  const beside = nearestCombinations(1 / (1 / 22 + 1 / 47), values, 2, 1)[0]!;
  expect(beside).toMatchObject({ values: [22, 47], joined: 'parallel' });
  expect(nearestCombinations(47, values, 3, 1)[0]).toEqual({ values: [47], joined: 'single', resistance: 47 });
  expect(nearestCombinations(47, values, 3, 4).map(({ resistance }) => resistance)).toHaveLength(4);
});

test('the values that can be bought have exact decimals', () => {
  const e24 = buyableValues('E24');
  for (const value of [0.0047, 0.33, 4.7, 820, 56_000, 2.2e6]) expect([...e24]).toContain(value);
});

test.each([
  ['ammeter', 'universal', [0.001, 0.01]],
  ['voltmeter', 'string', [2.5, 10]],
  ['ammeter', 'universal', [0.003, 0.02, 0.4]],
] as const)(
  'an %s with %s for %j: no choice of single E6 values is better for all ranges at once',
  (target, scheme, ranges) => {
    const design: Design = {
      format: 'usual-drag/design',
      version: 1,
      target,
      scheme,
      movement: { fullScaleCurrent: 1e-4, resistance: 1800 },
      ranges,
      parts: { series: 'E6', tolerance: 0.01, powerRating: 0.25, maxParts: 1 },
    };
    const movement = movementOf(design.movement);
    const solved = solveDesign(design);
    if (!movement.ok || !solved.ok) throw new Error('refused');
    const worst = (sections: readonly number[]): number =>
      Math.max(...fullScaleErrors(design, movement.value, ranges, sections).map(Math.abs));
    const chosen = worst(solved.value.sections.map(({ parts }) => parts.resistance));
    const all = buyableValues('E6');
    let best = Infinity;
    const choose = (sections: number[]): void => {
      if (sections.length === ranges.length) return void (best = Math.min(best, worst(sections)));
      const aim = solved.value.sections[sections.length]!.resistance;
      for (const value of all) if (value > aim / 30 && value < aim * 30) choose([...sections, value]);
    };
    choose([]);
    expect(chosen).toBeLessThanOrEqual(best + 1e-12);
  },
);

test('more parts are never worse than single values', () => {
  const worst = (maxParts: number, series: 'E12' | 'E96'): number => {
    const solved = solveDesign({
      format: 'usual-drag/design',
      version: 1,
      target: 'ammeter',
      scheme: 'universal',
      movement: { fullScaleCurrent: 1e-4, resistance: 1800 },
      ranges: [0.025, 0.25, 2.5, 10],
      parts: { series, tolerance: 0.01, powerRating: 0.25, maxParts },
    });
    if (!solved.ok) throw new Error(solved.fault.message);
    return Math.max(...solved.value.asBuilt.map(({ fullScaleError }) => Math.abs(fullScaleError)));
  };
  for (const series of ['E12', 'E96'] as const) {
    expect(worst(2, series)).toBeLessThanOrEqual(worst(1, series));
    expect(worst(3, series)).toBeLessThanOrEqual(worst(1, series));
  }
  expect(worst(3, 'E96')).toBeLessThan(1e-5);
});
