import type { Instrument, Range } from '../instrument/index.ts';
import { bestRangeOptions, correctDisplay, measurementPointOf, rangeTable, solveUnloaded } from '../loading/index.ts';
import { read } from '../test/read-line.ts';
import { compareReadings } from './compare.ts';
import type { Reading } from './reading.ts';

// 12 V over two of 10 kΩ: 6 V behind 5 kΩ. A range of 95 kΩ takes a twentieth: 5.7 V.
const network = read('E1 12V: R1 10k + R2 10k');
const range: Range = {
  id: '20 V',
  fullScale: 19.99,
  resistance: 95_000,
  resolution: 0.01,
  accuracyOfReading: 0.02,
  accuracyCounts: 2,
};
const calibration = {
  on: '2026-03-02',
  points: [
    { applied: 5, indicated: 5.04 },
    { applied: 10, indicated: 10.09 },
  ],
  uncertainty: 0.004,
};
const withRange = (one: Range): Instrument => ({ id: 'd', functions: [{ quantity: 'dc-voltage', ranges: [one] }] });
const certified = withRange({ ...range, calibration });
const setup = {
  id: 'S',
  meters: [{ id: 'V1', quantity: 'dc-voltage', instrument: 'd', range: '20 V', red: 'B', black: '0' }],
} as const;
const point = (() => {
  const unloaded = solveUnloaded(network);
  if (!unloaded.ok) throw new Error(unloaded.fault.code);
  const found = measurementPointOf(unloaded.value, [certified], setup, 'V1');
  if (!found.ok) throw new Error(found.fault.code);
  return found.value;
})();

test('a known error comes off a reading before it is compared: worked by hand', () => {
  // Applied 5.7 V: error 0.04 + 0.05·(5.7 − 5)/5 = 0.047, so the display is 5.747, 5.75 in two digits.
  const reading: Reading = {
    id: 'M1',
    quantity: 'dc-voltage',
    instrument: 'd',
    range: '20 V',
    red: 'B',
    black: '0',
    observations: [{ shown: '5.75', unit: 'V' }],
  };
  const compared = compareReadings({ network, instruments: [certified], readings: [reading] });
  if (!compared.ok) throw new Error(compared.fault.code);
  const { value, expected, uncertainty, corrected, verdict } = compared.value.readings.M1!;
  // 0.04 + 0.05·(5.75 − 5.04)/5.05
  expect(value).toBeCloseTo(5.75 - 0.0470297, 7);
  expect(expected).toBeCloseTo(5.7, 12);
  // u² = 0.002² + 0.005²/3
  expect(uncertainty).toBeCloseTo(2 * Math.sqrt(0.002 ** 2 + 0.005 ** 2 / 3), 12);
  expect(corrected).toBeCloseTo((5.75 - 0.0470297) / 0.95, 6);
  expect(verdict).toBe('agrees');
  const uncertified = compareReadings({ network, instruments: [withRange(range)], readings: [reading] });
  expect(uncertified.ok && uncertified.value.readings.M1!.value).toBe(5.75);
});

test('a reading is corrected for the instrument first and for its loading then', () => {
  const corrected = correctDisplay(certified, certified.functions![0]!.ranges[0] as Range, 5.75, point.correctionOn);
  if (!corrected.ok) throw new Error(corrected.fault);
  expect(corrected.value.value).toBeCloseTo(5.7029703 / 0.95, 6);
  // U/2 of the certificate and half a count, both through 1/0.95
  expect(corrected.value.uncertainty).toBeCloseTo((2 * Math.hypot(0.002, 0.005 / Math.sqrt(3))) / 0.95, 9);
  expect(corrected.value.budget.map(({ of }) => of)).toEqual(['certificate', 'resolution']);
});

test('taken as it stands a reading has the known error in it; corrected it has the certificate’s uncertainty', () => {
  const [option] = rangeTable(point, 'dc-voltage', [certified]);
  expect(option!.ownError).toBeCloseTo(0.047, 12);
  // loading −0.3, own error +0.047
  expect(option!.uncorrected).toBeCloseTo(0.253 + 0.0034641 + 0.005, 6);
  expect(option!.corrected).toBeCloseTo((2 * Math.hypot(0.002, 0.005 / Math.sqrt(3))) / 0.95, 9);
  // A better range on paper, without a certificate.
  const other: Instrument = {
    id: 'e',
    functions: [{ quantity: 'dc-voltage', ranges: [{ ...range, accuracyOfReading: 0.004 }] }],
  };
  const best = bestRangeOptions(rangeTable(point, 'dc-voltage', [other, certified]));
  expect(best.corrected!.instrument.id).toBe('d');
});
