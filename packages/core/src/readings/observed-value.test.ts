import type { Instrument } from '../instrument/index.ts';
import { observedNumber, observedValue, shownPattern } from './observed-value.ts';
import type { Reading } from './reading.ts';

const digital: Instrument = {
  id: 'd',
  rates: [
    { id: 'slow', counts: 0 },
    { id: 'fast', counts: 5 },
  ],
  functions: [
    {
      quantity: 'dc-voltage',
      ranges: [
        {
          id: '20 V',
          fullScale: 19.99,
          resistance: 1e7,
          resolution: 0.01,
          accuracyOfReading: 0.005,
          accuracyCounts: 2,
        },
        {
          id: 'certified',
          fullScale: 19.99,
          resistance: 1e7,
          resolution: 0.01,
          accuracyOfReading: 0.005,
          calibration: {
            on: '2026-03-02',
            points: [
              { applied: 10, indicated: 10.02 },
              { applied: 5, indicated: 5.03 },
            ],
            uncertainty: 0.004,
          },
        },
      ],
    },
  ],
};

const needle: Instrument = {
  id: 'n',
  display: 'analogue',
  functions: [
    {
      quantity: 'dc-voltage',
      ranges: [
        { id: '10 V', fullScale: 10, resistance: 2e5, accuracyOfRange: 0.02, divisions: 50 },
        { id: '50 V', fullScale: 50, resistance: 1e6, accuracyOfRange: 0.02, divisions: 50 },
      ],
    },
  ],
};

const reading = (range: string, shown: readonly string[], more: Partial<Reading> = {}): Reading =>
  ({
    id: 'M1',
    quantity: 'dc-voltage',
    instrument: 'd',
    range,
    red: 'A',
    black: '0',
    observations: shown.map((one) => ({ shown: one, unit: 'V' })),
    ...more,
  }) as Reading;

test('a display is read once, prefix and sign included', () => {
  expect(observedNumber({ shown: '-6.37', unit: 'mV' })).toBe(-0.00637);
  expect(observedNumber({ shown: '−6.37', unit: 'V' })).toBe(-6.37);
  expect(observedNumber({ shown: '+0.3', unit: 'µA' })).toBe(3e-7);
  expect(observedNumber({ shown: '4.7', unit: 'kΩ' })).toBe(4700);
  expect(observedNumber({ shown: 'OL', unit: 'V' })).toBeNull();
});

test.each(['6.37', '-6.37', '+.5', '5.', '0', 'OL', '−12.0'])('%s is a display', (text) =>
  expect(text).toMatch(shownPattern),
);
test.each(['', '-', '.', '6,37', '1e3', '6.3 V', 'ol', '--1', '1.2.3'])('“%s” is none', (text) =>
  expect(text).not.toMatch(shownPattern),
);

test('one observation has no spread; accuracy and resolution are rectangular, U is k = 2', () => {
  const { value, spread, uncertainty } = observedValue(reading('20 V', ['6.37']), digital);
  expect([value, spread]).toEqual([6.37, 0]);
  // a = 0.5 % of 6.37 + 2 counts = 51.85 mV, r = 5 mV.
  expect(uncertainty).toBeCloseTo(2 * Math.sqrt((0.05185 ** 2 + 0.005 ** 2) / 3), 14);
});

test('several observations: mean with s/√n, largest and last with the span', () => {
  const several = reading('20 V', ['6.37', '-6.41', '6.41']);
  expect(observedValue(several, digital, 'largest').value).toBe(-6.41);
  expect(observedValue(several, digital, 'last').value).toBe(6.41);
  expect(observedValue(several, digital, 'last').spread).toBeCloseTo(12.82 / (2 * Math.sqrt(3)), 14);
  const two = observedValue(reading('20 V', ['6.37', '6.38']), digital);
  expect(two.value).toBeCloseTo(6.375, 14);
  expect(two.spread).toBeCloseTo(0.005, 14);
});

test('with one OL among them nothing is known', () =>
  expect(observedValue(reading('20 V', ['6.37', 'OL']), digital)).toEqual({
    value: null,
    ownError: 0,
    spread: null,
    uncertainty: null,
  }));

test('a faster rate adds its counts to the accuracy limit', () => {
  const { uncertainty } = observedValue(reading('20 V', ['6.37'], { rate: 'fast' }), digital);
  expect(uncertainty).toBeCloseTo(2 * Math.sqrt((0.10185 ** 2 + 0.005 ** 2) / 3), 14);
});

test('a certificate takes the range’s own error off, straight between its points, and its uncertainty counts', () => {
  const at = (shown: string) => observedValue(reading('certified', [shown]), digital);
  // Halfway between 5.03 (30 mV high) and 10.02 (20 mV high).
  expect(at('7.525').value).toBeCloseTo(7.5, 12);
  expect(at('1').value).toBeCloseTo(0.97, 12);
  expect(at('15').value).toBeCloseTo(14.98, 12);
  expect(at('7.525').ownError).toBeCloseTo(0.025, 12);
  expect(at('7.525').uncertainty).toBeCloseTo(2 * Math.sqrt(0.002 ** 2 + 0.005 ** 2 / 3), 14);
});

test('read from another range’s scale: number and spread are turned into the range’s own', () => {
  const wrong = reading('10 V', ['30', '32'], { instrument: 'n', scale: '50 V' });
  const { value, spread, uncertainty } = observedValue(wrong, needle);
  expect(value).toBeCloseTo(6.2, 12);
  expect(spread).toBeCloseTo(0.2, 12);
  // Class 2 % of 10 V, half of a fifth of a division: 0.02 V.
  expect(uncertainty).toBeCloseTo(2 * Math.sqrt((0.2 ** 2 + 0.02 ** 2) / 3 + 0.2 ** 2), 12);
});

test('an instrument that is gone leaves the value', () =>
  expect(observedValue(reading('20 V', ['6.37']), undefined)).toEqual({
    value: 6.37,
    ownError: 0,
    spread: 0,
    uncertainty: null,
  }));
