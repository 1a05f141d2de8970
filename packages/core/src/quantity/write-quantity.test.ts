import fc from 'fast-check';
import { parseQuantity } from './parse-quantity.ts';
import { parsePercent } from './parse-ratio.ts';
import { writePercent, writeQuantity } from './write-quantity.ts';
import { runs } from '../test/runs.ts';

test.each([
  [56_000, 'Ω', '56k'],
  [350, 'Ω', '350'],
  [0.22, 'Ω', '220m'],
  [1.8, 'Ω', '1.8'],
  [-6, 'V', '-6V'],
  [0.0128, 'A', '12.8mA'],
  [0.25, 'W', '250mW'],
  [0, 'V', '0V'],
] as const)('%d %s is written %s', (value, unit, text) => expect(writeQuantity(value, unit)).toBe(text));

test('what is written reads back as the very same number', () => {
  const anyDouble = fc.oneof(
    fc.double({ noNaN: true, noDefaultInfinity: true, min: 1e-30, max: 1e30 }),
    fc.double({ min: 1e-3, max: 1e9, noNaN: true }),
  );
  fc.assert(
    fc.property(
      anyDouble,
      fc.constantFrom('V' as const, 'A' as const, 'Ω' as const, 'W' as const),
      fc.boolean(),
      (size, unit, negative) => {
        const value = negative ? -size : size;
        expect(parseQuantity(writeQuantity(value, unit), unit)).toEqual({ ok: true, value });
      },
    ),
    { numRuns: runs(2000) },
  );
  fc.assert(
    fc.property(fc.double({ min: 1e-6, max: 1, noNaN: true }), (ratio) => {
      expect(parsePercent(writePercent(ratio))).toEqual({ ok: true, value: ratio });
    }),
  );
  expect(writePercent(0.01)).toBe('1%');
  expect(writePercent(0)).toBe('0%');
});
