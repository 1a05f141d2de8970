import { resistanceFromSweep } from './resistance-sweep.ts';

const exact = { voltageUncertainty: 0, currentUncertainty: 0 };

test('the voltmeter’s own current is taken off where it stands across the part alone', () => {
  // 680 Ω behind a 20 kΩ voltmeter: V/I alone would give 657.6 Ω.
  const readings = [1, 2, 4].map((voltage) => ({ voltage, current: voltage / 680 + voltage / 20_000, ...exact }));
  const swept = resistanceFromSweep(readings, { connection: 'across-part', voltmeter: 20_000, ammeter: 10 })!;
  expect(swept.resistance).toBeCloseTo(680, 9);
  expect(swept.line.intercept).toBeCloseTo(0, 12);
  expect(swept.uncertainty).toBeLessThan(1e-9);
});

test('the ammeter’s burden is taken off where the voltmeter stands across both', () => {
  const readings = [0.001, 0.002].map((current) => ({ current, voltage: current * (680 + 10), ...exact }));
  const swept = resistanceFromSweep(readings, { connection: 'across-both', voltmeter: 20_000, ammeter: 10 })!;
  expect(swept.resistance).toBeCloseTo(680, 9);
});

test('scatter and accuracy both count in the uncertainty', () => {
  const at = (current: number, off: number) => ({
    current,
    voltage: 100 * current + off,
    voltageUncertainty: 0.01,
    currentUncertainty: 0.001,
  });
  const swept = resistanceFromSweep([at(1, 0.1), at(2, -0.2), at(3, 0.1)], {
    connection: 'across-both',
    voltmeter: 1e9,
    ammeter: 0,
  })!;
  expect(swept.resistance).toBeCloseTo(100, 9);
  // s² = 0.06/1 over Σ(x − x̄)² = 2; instruments at 3 A: 0.01/300 and 0.001/3.
  const scatter = Math.sqrt(0.06 / 2);
  const accuracy = 100 * Math.hypot(0.01 / 300.1, 0.001 / 3);
  expect(swept.uncertainty).toBeCloseTo(2 * Math.hypot(scatter, accuracy), 9);
});

test('one current twice makes no line', () =>
  expect(
    resistanceFromSweep(
      [
        { voltage: 1, current: 1, ...exact },
        { voltage: 2, current: 1, ...exact },
      ],
      { connection: 'across-both', voltmeter: 1e9, ammeter: 0 },
    ),
  ).toBeNull());
