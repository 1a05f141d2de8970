import { readingDoubt } from './accuracy.ts';

test('digital: a share of the reading and some counts, and half the last digit', () => {
  const range = {
    id: '20 V',
    fullScale: 19.99,
    resistance: 1e7,
    resolution: 0.01,
    accuracyOfReading: 0.005,
    accuracyCounts: 2,
  };
  const doubt = readingDoubt({ id: 'd', display: 'digital' }, range, -6.37);
  expect(doubt.accuracy).toBeCloseTo(0.005 * 6.37 + 0.02, 12);
  expect(doubt.resolution).toBeCloseTo(0.005, 12);
});

test('analogue: its class of full scale wherever the needle stands, and half of a fifth of a division', () => {
  const range = { id: '10 V', fullScale: 10, resistance: 20_000, accuracyOfRange: 0.03, divisions: 50 };
  for (const indicated of [0.1, 9]) {
    const doubt = readingDoubt({ id: 'a', display: 'analogue' }, range, indicated);
    expect(doubt.accuracy).toBeCloseTo(0.3, 12);
    expect(doubt.resolution).toBeCloseTo(0.02, 12);
  }
});

test('what a range does not say of itself counts as nothing', () => {
  expect(readingDoubt({ id: 'x' }, { id: 'r', fullScale: 2, resistance: 1, resolution: 0.001 }, 1).accuracy).toBe(0);
});
