import type { Instrument, Range } from './instrument.ts';
import { certificateFrom, checkAgainstStandard, pointsToCheck } from './standard-check.ts';

const range: Range = {
  id: '20 V',
  fullScale: 19.99,
  resistance: 1e7,
  resolution: 0.01,
  accuracyOfReading: 0.005,
  accuracyCounts: 2,
};
const instrument: Instrument = { id: 'd', functions: [{ quantity: 'dc-voltage', ranges: [range] }] };

test('an error is judged with the uncertainty of the standard and of the last digit', () => {
  const points = [
    { applied: 10, indicated: 10.05 },
    { applied: 10, indicated: 10.07 },
    { applied: 10, indicated: 10.12 },
    { applied: 10, indicated: 9.9 },
  ];
  const { points: checked, uncertainty } = checkAgainstStandard(instrument, range, points, 0.008);
  // U = √(0.008² + (2·0.005/√3)²)
  expect(uncertainty).toBeCloseTo(0.0098658, 7);
  // 0.5 % of 10.05 V, two counts, half a count: 0.05025 + 0.02 + 0.005
  expect(checked[0]!.limit).toBeCloseTo(0.07525, 12);
  expect(checked[0]!.error).toBeCloseTo(0.05, 12);
  expect(checked.map(({ verdict }) => verdict)).toEqual(['within', 'open', 'outside', 'outside']);
});

test('the limit is that of the specification, also where there is a certificate already', () => {
  const calibration = { on: '2026-03-02', points: [{ applied: 10, indicated: 10 }], uncertainty: 1e-6 };
  const again = checkAgainstStandard(instrument, { ...range, calibration }, [{ applied: 10, indicated: 10.05 }], 0.008);
  expect(again.points[0]!.limit).toBeCloseTo(0.07525, 12);
});

test('a needle is judged by its class, read to a fifth of a division', () => {
  const needle: Range = { id: '10 V', fullScale: 10, resistance: 2e5, accuracyOfRange: 0.02, divisions: 50 };
  const { points, uncertainty } = checkAgainstStandard(
    { id: 'n', display: 'analogue' },
    needle,
    [{ applied: 5, indicated: 5.1 }],
    0,
  );
  expect(points[0]!.limit).toBeCloseTo(0.22, 12);
  expect(uncertainty).toBeCloseTo(0.04 / Math.sqrt(3), 12);
});

test('the points to check lie on the range, and a certificate has them in rising order', () => {
  expect(pointsToCheck(range)).toEqual([2, 5, 10, 15, 19]);
  const made = certificateFrom(
    '2026-11-27',
    [
      { applied: 10, indicated: 10.02 },
      { applied: 5, indicated: 5.03 },
    ],
    0.01,
  );
  expect(made.points.map(({ indicated }) => indicated)).toEqual([5.03, 10.02]);
});
