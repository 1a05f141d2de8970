import fc from 'fast-check';
import { asBuilt, fullScaleErrors, sectionSpan } from './as-built.ts';
import { movementOf } from '../movement/movement.ts';

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
        const spans = list.map(({ section, tolerance }) => ({
          marked: section,
          low: section * (1 - tolerance),
          high: section * (1 + tolerance),
        }));
        const built = asBuilt(design, movement.value, ranges, spans);
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

test('a section spans what the corners of its parts come to, also where they are of different tolerance', () => {
  const toleranceOf = (value: number): number => (value > 100 ? 0.01 : 0.3);
  const series = sectionSpan({ values: [50, 150], joined: 'series', resistance: 200 }, toleranceOf);
  expect(series.low).toBeCloseTo(35 + 148.5, 12);
  expect(series.high).toBeCloseTo(65 + 151.5, 12);
  const beside = sectionSpan({ values: [50, 150], joined: 'parallel', resistance: 37.5 }, toleranceOf);
  expect(beside.marked).toBe(37.5);
  expect(beside.low).toBeCloseTo((35 * 148.5) / (35 + 148.5), 12);
  expect(beside.high).toBeCloseTo((65 * 151.5) / (65 + 151.5), 12);
  const [a, b] = [1 / 330, 1 / 220];
  const alike = sectionSpan({ values: [330, 220], joined: 'parallel', resistance: 1 / (a + b) }, () => 0.01);
  expect(alike.high / alike.marked).toBeCloseTo(1.01, 14);
});
