import fc from 'fast-check';
import { correctFromRanges } from './range-correction.ts';
import { rangeBudget, type NamedRangeReading } from './range-budget.ts';
import { exercised, runs } from '../test/runs.ts';

/** Readings of one place on two to four ranges, each with limits of its own. */
const readings = fc
  .tuple(
    fc.double({ min: 0, max: 5, noNaN: true }).map((decade) => 10 ** decade),
    fc.double({ min: 0.1, max: 50, noNaN: true }),
    fc.uniqueArray(fc.constantFrom(0.5, 1, 3, 10), { minLength: 2, maxLength: 4 }),
    fc.array(fc.double({ min: 1e-4, max: 5e-3, noNaN: true }), { minLength: 8, maxLength: 8 }),
  )
  .map(([source, truth, shares, limits]) =>
    shares.map((share, k): NamedRangeReading => {
      const meterResistance = source * share;
      const indicated = (truth * meterResistance) / (meterResistance + source);
      return {
        name: `range ${k}`,
        indicated,
        uncertainty: indicated * limits[k]!,
        meterResistance,
        resistanceTolerance: limits[k + 4]!,
      };
    }),
  );

test('the contributions add up to U in quadrature, and each is the change that its input makes', () => {
  let compared = 0;
  fc.assert(
    fc.property(readings, (taken) => {
      const budget = rangeBudget(taken, 'dc-voltage')!;
      const sum = Math.hypot(...budget.lines.map(({ contribution }) => contribution));
      expect(2 * sum).toBeCloseTo(budget.uncertainty, 12);
      // Only with two readings the weights do not matter, so that a changed reading moves nothing else.
      if (taken.length > 2) return;
      for (const [at, reading] of taken.entries()) {
        const step = reading.indicated * 1e-6;
        const moved = correctFromRanges(
          taken.map((one, k) => (k === at ? { ...one, indicated: one.indicated + step } : one)),
          'dc-voltage',
        );
        if (!moved.ok) throw new Error(moved.fault.message);
        const slope = Math.abs(moved.value.truth - budget.value) / step;
        const line = budget.lines.find(({ of }) => of === `reading:${at}`)!;
        expect(Math.abs(line.sensitivity / slope - 1)).toBeLessThan(1e-3);
        compared += 1;
      }
    }),
    { numRuns: runs(300) },
  );
  expect(compared).toBeGreaterThan(exercised(60));
});

test('the reduction is computed again: without the largest limit U is smaller by what it contributed', () => {
  const taken: readonly NamedRangeReading[] = [
    { name: '10 V', indicated: 3.65, uncertainty: 0.001, meterResistance: 20_000, resistanceTolerance: 0.05 },
    { name: '50 V', indicated: 5.54, uncertainty: 0.001, meterResistance: 100_000, resistanceTolerance: 0 },
  ];
  const budget = rangeBudget(taken, 'dc-voltage')!;
  expect(budget.reduction).toMatchObject({
    of: 'resistance:0',
    action: 'measuring the resistance of the meter on 10 V',
  });
  const rest = budget.lines.filter(({ of }) => of !== 'resistance:0').map(({ contribution }) => contribution);
  expect(budget.reduction!.uncertainty).toBeCloseTo(2 * Math.hypot(...rest), 12);
});

test('readings that no source explains have no budget', () => {
  const reading = (name: string, indicated: number, meterResistance: number): NamedRangeReading => ({
    name,
    indicated,
    uncertainty: 0.01,
    meterResistance,
  });
  expect(rangeBudget([reading('10 V', 6, 1e4), reading('50 V', 5, 1e5)], 'dc-voltage')).toBeNull();
});
