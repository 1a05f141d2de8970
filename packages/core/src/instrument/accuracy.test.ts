import { readingUncertainty } from './accuracy.ts';

test('digital: a share of the reading and some counts, and half the last digit', () => {
  const range = {
    id: '20 V',
    fullScale: 19.99,
    resistance: 1e7,
    resolution: 0.01,
    accuracyOfReading: 0.005,
    accuracyCounts: 2,
  };
  const uncertainty = readingUncertainty({ id: 'd', display: 'digital' }, range, -6.37);
  expect(uncertainty.accuracy).toBeCloseTo(0.005 * 6.37 + 0.02, 12);
  expect(uncertainty.resolution).toBeCloseTo(0.005, 12);
});

test('analogue: its class of full scale wherever the needle stands, and half of a fifth of a division', () => {
  const range = { id: '10 V', fullScale: 10, resistance: 20_000, accuracyOfRange: 0.03, divisions: 50 };
  for (const indicated of [0.1, 9]) {
    const uncertainty = readingUncertainty({ id: 'a', display: 'analogue' }, range, indicated);
    expect(uncertainty.accuracy).toBeCloseTo(0.3, 12);
    expect(uncertainty.resolution).toBeCloseTo(0.02, 12);
  }
});

test('what a range does not say of itself counts as nothing', () => {
  expect(readingUncertainty({ id: 'x' }, { id: 'r', fullScale: 2, resistance: 1, resolution: 0.001 }, 1).accuracy).toBe(
    0,
  );
});
