import fc from 'fast-check';
import { correctFromRanges, type RangeReading } from './range-correction.ts';

const ohms = fc.double({ min: 0, max: 6, noNaN: true }).map((decade) => 10 ** decade);

test('two unrounded readings give the true value back to 1e-9, and more do', () => {
  fc.assert(
    fc.property(
      ohms,
      fc.double({ min: 1e-3, max: 100, noNaN: true }),
      fc.uniqueArray(fc.constantFrom(0.2, 0.5, 1, 3, 10), { minLength: 2, maxLength: 4 }),
      fc.constantFrom('dc-voltage' as const, 'dc-current' as const),
      (rs, truth, shares, quantity) => {
        const readings = shares.map((share): RangeReading => {
          const rm = rs * share;
          const indicated = quantity === 'dc-voltage' ? (truth * rm) / (rm + rs) : (truth * rs) / (rs + rm);
          return { indicated, uncertainty: 0, meterResistance: rm, resistanceTolerance: 0 };
        });
        const found = correctFromRanges(readings, quantity);
        if (!found.ok) throw new Error(found.fault.message);
        expect(Math.abs(found.value.truth / truth - 1)).toBeLessThan(1e-9);
        expect(Math.abs(found.value.sourceResistance / rs - 1)).toBeLessThan(1e-9);
        expect(found.value.worst).toBeLessThan(1e-9);
      },
    ),
  );
});

test('from readings rounded to the display the uncertainty is honest: it covers the truth, and is not idle', () => {
  const rs = 14_860;
  const truth = 6.367;
  let outside = 0;
  let widest = 0;
  const runs = 400;
  for (let run = 0; run < runs; run += 1) {
    const shifted = truth * (1 + run / 10_000);
    const readings = [20_000, 100_000].map((meterResistance): RangeReading => {
      const exact = (shifted * meterResistance) / (meterResistance + rs);
      return {
        indicated: Math.round(exact / 0.01) * 0.01,
        uncertainty: 0.005,
        meterResistance,
        resistanceTolerance: 0,
      };
    });
    const found = correctFromRanges(readings, 'dc-voltage');
    if (!found.ok) throw new Error(found.fault.message);
    const off = Math.abs(found.value.truth - shifted);
    if (off > found.value.truthUncertainty) outside += 1;
    widest = Math.max(widest, off / found.value.truthUncertainty);
  }
  expect(outside / runs).toBeLessThan(0.05);
  expect(widest).toBeGreaterThan(0.5);
});

test('by hand: 3.65 V on 20 kΩ and 5.54 V on 100 kΩ', () => {
  const found = correctFromRanges(
    [
      { indicated: 3.65, uncertainty: 0.02, meterResistance: 20_000 },
      { indicated: 5.54, uncertainty: 0.1, meterResistance: 100_000 },
    ],
    'dc-voltage',
  );
  // 1/V = 1/5.54 − (1/3.65 − 1/5.54)/4 by the rule of three on 1/R_m = 5 and 1 parts.
  const intercept = 1 / 5.54 - (1 / 3.65 - 1 / 5.54) / 4;
  expect(found.ok && found.value.truth).toBeCloseTo(1 / intercept, 9);
});

test('what no source explains is said, not computed', () => {
  const reading = (indicated: number, meterResistance: number): RangeReading => ({
    indicated,
    uncertainty: 0.01,
    meterResistance,
  });
  expect(correctFromRanges([reading(5, 1e4), reading(5, 1e4)], 'dc-voltage')).toMatchObject({
    fault: { code: 'too-few' },
  });
  expect(correctFromRanges([reading(5, 1e4), reading(-1, 1e5)], 'dc-voltage')).toMatchObject({
    fault: { code: 'not-positive' },
  });
  expect(correctFromRanges([reading(6, 1e4), reading(5, 1e5)], 'dc-voltage')).toMatchObject({
    fault: { code: 'no-source-explains' },
  });
  expect(correctFromRanges([reading(1, 1e4), reading(9, 2e4)], 'dc-voltage')).toMatchObject({
    fault: { code: 'no-source-explains' },
  });
});
