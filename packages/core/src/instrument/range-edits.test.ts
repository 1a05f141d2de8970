import type { KitInstrument } from './kit.ts';
import { burdenOf, nextRange, nextResistanceRange, rangeName, sensitivityOf } from './range-edits.ts';

const needle: KitInstrument = {
  id: 'a',
  display: 'analogue',
  functions: [
    { quantity: 'dc-voltage', ranges: [{ id: '10 V', fullScale: 10, resistance: 200_000, divisions: 50 }] },
    { quantity: 'dc-current', ranges: [{ id: '5 mA', fullScale: 5e-3, resistance: 50 }] },
  ],
};

test('a needle keeps its ohms for each volt, and its burden, on the next range', () => {
  const volts = nextRange(needle, 'dc-voltage');
  expect(volts).toEqual({ id: '100 V', fullScale: 100, resistance: 2e6, divisions: 50 });
  expect(sensitivityOf(volts)).toBe(20_000);
  const amps = nextRange(needle, 'dc-current');
  expect(amps).toEqual({ id: '50 mA', fullScale: 0.05, resistance: 5 });
  expect(burdenOf(amps)).toBeCloseTo(0.25, 12);
});

test('digits keep their input resistance and shift their last digit', () => {
  const first = nextRange({ id: 'd', display: 'digital' }, 'dc-voltage');
  expect(first).toMatchObject({ id: '20 V', fullScale: 19.99, resistance: 1e7, resolution: 0.01 });
  const next = nextRange(
    { id: 'd', display: 'digital', functions: [{ quantity: 'dc-voltage', ranges: [first] }] },
    'dc-voltage',
  );
  expect(next).toMatchObject({ id: '200 V', fullScale: 199.9, resistance: 1e7, resolution: 0.1 });
});

test('the next ohms range drives a tenth of the current; a name that is taken is numbered', () => {
  const low = nextResistanceRange({ id: 'd' });
  expect(low).toMatchObject({ id: '200 Ω', fullScale: 199.9, testCurrent: 1e-3 });
  const next = nextResistanceRange({ id: 'd', resistanceRanges: [low] });
  expect(next).toMatchObject({ id: '2 kΩ', fullScale: 1999, testCurrent: 1e-4 });
  expect(nextResistanceRange({ id: 'd', resistanceRanges: [{ ...low, id: '2 kΩ' }] }).id).toBe('2 kΩ (2)');
  expect(rangeName(199.9e-6, 'A')).toBe('200 µA');
});
