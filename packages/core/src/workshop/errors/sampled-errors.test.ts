import { paired, workedOut } from '../../test/meter-projects.ts';
import { sampledErrors } from './sampled-errors.ts';

const sampling = { count: 4000, seed: 7, spread: 'rectangular' } as const;

test('one resistor of an evenly spread tolerance gives the deviation of an even spread', () => {
  const { piece, sides } = workedOut({
    sides: [{ target: 'voltmeter', scheme: 'individual', ranges: [1] }],
    parts: { series: 'E24', tolerance: 0.01, powerRating: 0.25, maxParts: 1 },
  });
  const [{ errors }] = sampledErrors(piece, sides[0]!, { ...sampling, count: 20_000 }) as [
    ReturnType<typeof sampledErrors>[number],
  ];
  // 8.2 kΩ ± 1 % of 10 kΩ: ±0.82 %, and an even spread deviates by its half-width over √3.
  expect(errors.deviation).toBeCloseTo(0.0082 / Math.sqrt(3), 4);
  expect(errors.mean).toBeCloseTo(0, 3);
  expect(errors.maximum).toBeLessThanOrEqual(sides[0]!.result.asBuilt[0]!.worstCase[1]);
});

test('the parts of a section partly cancel, and no draw is beyond the worst case', () => {
  for (const change of [{}, { sides: paired([0.001, 0.1], [2.5, 10]) }]) {
    const { piece, sides } = workedOut(change);
    for (const side of sides)
      sampledErrors(piece, side, sampling).forEach(({ range, errors }, k) => {
        const { range: same, worstCase } = side.result.asBuilt[k]!;
        expect(range).toBe(same);
        expect(errors.minimum).toBeGreaterThanOrEqual(worstCase[0]);
        expect(errors.maximum).toBeLessThanOrEqual(worstCase[1]);
        expect(errors.high - errors.low).toBeLessThan(worstCase[1] - worstCase[0]);
        expect(errors.deviation).toBeGreaterThan(0);
      });
  }
});
