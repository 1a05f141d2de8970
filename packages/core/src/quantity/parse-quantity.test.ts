import fc from 'fast-check';
import { formatQuantity } from './format-quantity.ts';
import { parseQuantity } from './parse-quantity.ts';
import { parsePercent } from './parse-ratio.ts';
import type { Unit } from './unit.ts';

const read = (text: string, unit: Unit): number | string => {
  const result = parseQuantity(text, unit);
  return result.ok ? result.value : result.fault.code;
};

test.each([
  ['4k7', 'Ω', 4700],
  ['4.7k', 'Ω', 4700],
  ['4,7k', 'Ω', 4700],
  ['4700', 'Ω', 4700],
  ['0R22', 'Ω', 0.22],
  ['2M2', 'Ω', 2_200_000],
  ['330 mΩ', 'Ω', 0.33],
  ['330mohm', 'Ω', 0.33],
  ['56 kΩ', 'Ω', 56_000],
  ['56\u00a0kΩ', 'Ω', 56_000],
  ['10K', 'Ω', 10_000],
  ['1R', 'Ω', 1],
  ['4k7Ω', 'Ω', 4700],
  ['1.8 V', 'V', 1.8],
  ['1V8', 'V', 1.8],
  ['-12 V', 'V', -12],
  ['−75 mV', 'V', -0.075],
  ['250 µA', 'A', 0.00025],
  ['250 μA', 'A', 0.00025],
  ['250uA', 'A', 0.00025],
  ['0.35', 'A', 0.35],
  ['1e3', 'Ω', 1000],
  ['2.5e-3 A', 'A', 0.0025],
  ['¼', 'W', 'not-a-quantity'],
  ['250 mW', 'W', 0.25],
  ['', 'Ω', 'empty'],
  ['   ', 'Ω', 'empty'],
  ['ten', 'Ω', 'not-a-quantity'],
  ['4k7k', 'Ω', 'not-a-quantity'],
  ['4.7.1', 'Ω', 'not-a-quantity'],
  ['12 V', 'Ω', 'wrong-unit'],
  ['12 kΩ', 'V', 'wrong-unit'],
  ['1,000', 'Ω', 'ambiguous-comma'],
  ['12,500 Ω', 'Ω', 'ambiguous-comma'],
  ['0,125', 'W', 0.125],
  ['1e999', 'Ω', 'too-large'],
] as const)('reads %j in %s as %j', (text, unit, wanted) => {
  expect(read(text, unit)).toBe(wanted);
});

test('says in which unit a value of the wrong kind is, and what is taken here', () => {
  const result = parseQuantity('12 mA', 'Ω');
  expect(!result.ok && result.fault.message).toMatch(/in A.*must be in Ω/);
});

test('what is printed with all its digits reads in again as the same number', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1e-12, max: 1e12, noNaN: true }),
      fc.constantFrom('V', 'A', 'Ω', 'W'),
      (value, unit) => {
        const again = read(formatQuantity(value, unit, { digits: 17 }), unit) as number;
        expect(Math.abs(again - value)).toBeLessThanOrEqual(Number.EPSILON * value);
      },
    ),
  );
});

test.each([
  ['1', 0.01],
  ['1 %', 0.01],
  ['±5%', 0.05],
  ['0,5 %', 0.005],
])('reads the tolerance %j as %j', (text, wanted) => {
  const result = parsePercent(text);
  expect(result.ok && result.value).toBe(wanted);
});

test.each(['', 'one', '-1 %'])('refuses %j as a tolerance', (text) => {
  expect(parsePercent(text).ok).toBe(false);
});

test('what is printed at any size reads back', () => {
  fc.assert(
    fc.property(fc.double({ noNaN: true, noDefaultInfinity: true }), (value) => {
      const read = parseQuantity(formatQuantity(value, 'V', { digits: 17, trim: true }), 'V');
      expect(read).toEqual({ ok: true, value: value === 0 ? 0 : value });
    }),
  );
});
