import fc from 'fast-check';
import { asBuilt, fullScaleErrors, sectionTolerance } from './as-built.ts';
import { movementOf } from './movement.ts';

const schemes = [
  ['ammeter', 'individual'],
  ['ammeter', 'universal'],
  ['voltmeter', 'individual'],
  ['voltmeter', 'string'],
] as const;

/** Every corner of the tolerances. */
const corners = (sections: readonly number[], tolerances: readonly number[]): number[][] =>
  sections.reduce<number[][]>(
    (all, section, k) =>
      all.flatMap((corner) => [-1, 1].map((side) => [...corner, section * (1 + side * tolerances[k]!)])),
    [[]],
  );

test('the worst case is the worst of every corner, brute force', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...schemes),
      fc.array(
        fc.record({
          section: fc.double({ min: -2, max: 5, noNaN: true }).map((decade) => 10 ** decade),
          tolerance: fc.constantFrom(0, 0.001, 0.01, 0.05),
        }),
        { minLength: 1, maxLength: 4 },
      ),
      ([target, scheme], list) => {
        const movement = movementOf({ fullScaleCurrent: 1e-4, resistance: 1800 });
        if (!movement.ok) throw new Error(movement.fault.message);
        const design = { target, scheme };
        const ranges = list.map((_, k) => 0.5 * (k + 1));
        const sections = list.map(({ section }) => section);
        const tolerances = list.map(({ tolerance }) => tolerance);
        const built = asBuilt(design, movement.value, ranges, sections, tolerances);
        const all = corners(sections, tolerances).map((at) => fullScaleErrors(design, movement.value, ranges, at));
        built.forEach(({ worstCase: [low, high], fullScaleError }, k) => {
          const errors = all.map((at) => at[k]!);
          const size = 1 + Math.abs(fullScaleError);
          expect(Math.abs(low - Math.min(...errors))).toBeLessThan(1e-11 * size);
          expect(Math.abs(high - Math.max(...errors))).toBeLessThan(1e-11 * size);
        });
      },
    ),
  );
});

test('a section’s tolerance is what its corners are off by, and that of its parts where they are alike', () => {
  const toleranceOf = (value: number): number => (value > 100 ? 0.01 : 0.05);
  const series = sectionTolerance({ values: [50, 150], joined: 'series' }, toleranceOf);
  expect(series).toBeCloseTo((50 * 0.05 + 150 * 0.01) / 200, 14);
  const beside = sectionTolerance({ values: [50, 150], joined: 'parallel' }, toleranceOf);
  expect(beside).toBeCloseTo((0.05 / 50 + 0.01 / 150) / (1 / 50 + 1 / 150), 14);
  for (const joined of ['single', 'series', 'parallel'] as const)
    expect(sectionTolerance({ values: [330, 220], joined }, toleranceOf)).toBeCloseTo(0.01, 14);
});
