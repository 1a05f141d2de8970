import type { Instrument } from '../../instrument/index.ts';
import type { Conventions, Reading } from '../../readings/index.ts';
import { predictionRows } from './prediction-rows.ts';

const meter: Instrument = {
  id: 'm',
  functions: [
    {
      quantity: 'dc-voltage',
      ranges: [{ id: '20 V', fullScale: 20, resistance: 1e7, accuracyOfReading: 0.01 }],
    },
    { quantity: 'resistance', ranges: [{ id: '2 kΩ', fullScale: 2000, testCurrent: 1e-3, accuracyOfReading: 0.01 }] },
  ],
};
const volts = (shown: string): Reading => ({
  id: 'M1',
  quantity: 'dc-voltage',
  instrument: 'm',
  range: '20 V',
  red: 'A',
  black: '0',
  observations: [{ shown, unit: 'V' }],
});
const ohms = (shown: string): Reading => ({
  id: 'M1',
  quantity: 'resistance',
  instrument: 'm',
  range: '2 kΩ',
  element: 'R1',
  observations: [{ shown, unit: 'Ω' }],
});

const row = (reading: Reading, predicted: number | null, conventions: Conventions = {}) =>
  predictionRows([reading], [meter], conventions, { M1: predicted })[0];

test('a value within its own U of the prediction is within; U of 10 V with 1 % is 115 mV', () => {
  expect(row(volts('10.00'), 10.11)).toMatchObject({ value: 10, predicted: 10.11, isWithin: true });
  expect(row(volts('10.00'), 10.12)).toMatchObject({ isWithin: false });
});

test('signs count unless the job drops them', () => {
  expect(row(volts('10.00'), -10)).toMatchObject({ isWithin: false });
  expect(row(volts('10.00'), -10, { sign: 'magnitude' })).toMatchObject({ isWithin: true });
});

test('OL is within of everything that the range cannot display, and of nothing else', () => {
  expect(row(ohms('OL'), null)).toMatchObject({ value: null, predicted: null, isWithin: true });
  expect(row(ohms('OL'), 5000)).toMatchObject({ isWithin: true });
  expect(row(ohms('OL'), 680)).toMatchObject({ isWithin: false });
  expect(row(ohms('680'), null)).toMatchObject({ value: 680, isWithin: false });
});

test('a reading that is not predicted, or has no instrument, has no row', () => {
  expect(predictionRows([volts('10')], [meter], {}, {})).toEqual([]);
  expect(predictionRows([volts('10')], [], {}, { M1: 10 })).toEqual([]);
});
