import { shownOn, smallestStep } from './display.ts';
import type { Instrument, Range } from './instrument.ts';

const analogue: Instrument = { id: 'a', display: 'analogue' };
const digital: Instrument = { id: 'd', display: 'digital' };
const tenVolts: Range = { id: '10 V', fullScale: 10, resistance: 200_000, divisions: 50 };
const halfMilliamp: Range = { id: '500 µA', fullScale: 0.0005, resistance: 500, divisions: 50 };
const twentyVolts: Range = { id: '20 V', fullScale: 19.99, resistance: 1e7, resolution: 0.01 };

test('a needle is read to a fifth of a division', () => {
  expect(smallestStep(analogue, tenVolts)).toBeCloseTo(0.04, 15);
  expect(shownOn(analogue, 'dc-voltage', tenVolts, 5.95)).toEqual({ display: '5.96', unit: 'V' });
  expect(shownOn(analogue, 'dc-current', halfMilliamp, 1.3999e-4)).toEqual({ display: '140', unit: 'µA' });
});

test('a needle stands between its stops', () => {
  expect(shownOn(analogue, 'dc-voltage', tenVolts, 12).display).toBe('10.00');
  expect(shownOn(analogue, 'dc-voltage', tenVolts, -3).display).toBe('0.00');
});

test('a digital display shows its last digit, its sign, and OL over range', () => {
  expect(shownOn(digital, 'dc-voltage', twentyVolts, 6.3672).display).toBe('6.37');
  expect(shownOn(digital, 'dc-voltage', twentyVolts, -6.3672).display).toBe('−6.37');
  expect(shownOn(digital, 'dc-voltage', twentyVolts, 20).display).toBe('OL');
  expect(shownOn(digital, 'dc-voltage', twentyVolts, -20).display).toBe('OL');
  expect(shownOn(digital, 'dc-voltage', twentyVolts, null).display).toBeNull();
});

test.each([
  [0.1999, 'dc-voltage', 'mV'],
  [1.999, 'dc-voltage', 'V'],
  [1000, 'dc-voltage', 'V'],
  [199.9e-6, 'dc-current', 'µA'],
  [1e-3, 'dc-current', 'mA'],
] as const)('a full scale of %d (%s) is shown in %s', (fullScale, quantity, unit) => {
  expect(shownOn(digital, quantity, { id: 'r', fullScale, resistance: 1 }, 0).unit).toBe(unit);
});
