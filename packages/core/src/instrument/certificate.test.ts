import fc from 'fast-check';
import { certificateFaults, certificateLimit, indicatedWhen, ownErrorAt } from './certificate.ts';
import type { RangeCalibration } from './instrument.ts';

const calibration: RangeCalibration = {
  on: '2026-03-02',
  points: [
    { applied: 10, indicated: 10.02 },
    { applied: 5, indicated: 5.03 },
    { applied: 15, indicated: 14.97 },
  ],
  uncertainty: 0.004,
};

test('the error is straight between the points, by what they indicated, and stays beyond them', () => {
  expect(ownErrorAt(calibration, 5.03)).toBeCloseTo(0.03, 12);
  // Half the way from 5.03 to 10.02 half of each error.
  expect(ownErrorAt(calibration, 7.525)).toBeCloseTo(0.025, 12);
  // A fifth of the way from 10.02 to 14.97: 0.8·0.02 − 0.2·0.03.
  expect(ownErrorAt(calibration, 11.01)).toBeCloseTo(0.01, 12);
  expect(ownErrorAt(calibration, 1)).toBeCloseTo(0.03, 12);
  expect(ownErrorAt(calibration, 19)).toBeCloseTo(-0.03, 12);
});

test('without a certificate nothing is known to be off', () => {
  expect(ownErrorAt(undefined, 7)).toBe(0);
  expect(indicatedWhen(undefined, 7)).toBe(7);
});

test('what is applied and what is indicated lead to each other', () => {
  const certificate = fc
    .array(fc.record({ step: fc.double({ min: 0.5, max: 5, noNaN: true }), off: fc.double({ min: -0.1, max: 0.1 }) }), {
      minLength: 1,
      maxLength: 8,
    })
    .map((steps): RangeCalibration => {
      let applied = 0;
      const points = steps.map(({ step, off }) => ({ applied: (applied += step), indicated: applied + (off || 0) }));
      return { on: '2026-03-02', points: points.reverse(), uncertainty: 0.01 };
    });
  fc.assert(
    fc.property(certificate, fc.double({ min: -5, max: 50, noNaN: true }), (made, applied) => {
      const indicated = indicatedWhen(made, applied);
      expect(indicated - ownErrorAt(made, indicated)).toBeCloseTo(applied, 9);
    }),
  );
});

test('its limit as a rectangular one has half of the uncertainty as standard uncertainty', () => {
  expect(certificateLimit(calibration) / Math.sqrt(3)).toBeCloseTo(0.002, 15);
});

test('points that cannot be told apart or run backwards are refused', () => {
  const of = (...points: [number, number][]): string[] =>
    certificateFaults({
      ...calibration,
      points: points.map(([applied, indicated]) => ({ applied, indicated })),
    });
  expect(certificateFaults(calibration)).toEqual([]);
  expect(of([1, 1], [2, 1])).toEqual(['two points of its certificate have the same indication']);
  expect(of([2, 1], [1, 2])).toEqual(['the applied values of its certificate must rise with the indications']);
  expect(certificateFaults({ ...calibration, on: '2026-13-02' })).toHaveLength(1);
});
