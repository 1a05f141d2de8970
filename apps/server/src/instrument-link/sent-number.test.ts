import fc from 'fast-check';
import { observedNumber } from '@usual-drag/core/readings';
import { observationOf, quoted } from './sent-number.ts';

test.each([
  ['+6.36720000E+00', 'V', '6.36720000', 'V'],
  ['1.60700000E-04', 'A', '160.700000', 'µA'],
  ['-93.99E-3', 'V', '-93.99', 'mV'],
  ['  12 ', 'V', '12', 'V'],
  ['.5', 'V', '500', 'mV'],
  ['5.', 'Ω', '5', 'Ω'],
  ['+5.61E+04', 'Ω', '56.1', 'kΩ'],
  ['0.000E+00', 'V', '0.000', 'V'],
  ['-0.0', 'V', '-0.0', 'V'],
  ['+1.0E-12', 'A', '0.0010', 'nA'],
  ['9.9E37', 'V', 'OL', 'V'],
  ['-9.90000000E+37', 'A', 'OL', 'A'],
])('%s %s is a display of %s %s', (sent, unit, shown, shownUnit) =>
  expect(observationOf(sent, unit)).toEqual({ shown, unit: shownUnit }),
);

test.each([
  '',
  ' ',
  'OK',
  '6.3#7E+0',
  '6,37',
  '6.37 V',
  '1E',
  '--1',
  '1.2.3',
  '0x10',
  'NaN',
  'Infinity',
  '1e9999',
  '\u0000',
])('“%s” is no number, and says so', (sent) =>
  expect(() => observationOf(sent, 'V')).toThrow(/no number.*Nothing was written down/),
);

test('no valid reading is told apart from over range', () => {
  expect(() => observationOf('9.91E37', 'V')).toThrow(/no valid reading/);
  expect(() => observationOf('1E-30', 'V')).toThrow(/far from anything/);
});

test('whatever is sent, the display has its digits and its value', () => {
  const sent = fc.record({
    sign: fc.constantFrom('', '+', '-'),
    digits: fc.stringMatching(/^\d{1,9}$/),
    point: fc.nat(9),
    exponent: fc.integer({ min: -9, max: 9 }),
  });
  fc.assert(
    fc.property(sent, ({ sign, digits, point, exponent }) => {
      const at = Math.min(point, digits.length);
      const text = `${sign}${digits.slice(0, at)}.${digits.slice(at)}E${exponent}`;
      const read = observationOf(text, 'V');
      expect(observedNumber(read)).toBeCloseTo(Number(text), 12 - exponent);
      expect(Math.abs(observedNumber(read)! - Number(text))).toBeLessThanOrEqual(1e-12 * Math.abs(Number(text)));
      expect(read.shown).toMatch(/^-?\d{1,15}(\.\d{1,15})?$/);
      expect(read.shown.replace(/[-.]/g, '').replace(/^0+/, '')).toContain(digits.replace(/^0+/, ''));
    }),
  );
});

test('what was sent is told so that a screen can show it', () => {
  expect(quoted('\u001b[2J\u0000ä')).toBe('“�[2J�ä”');
  expect(quoted('x'.repeat(100))).toBe(`“${'x'.repeat(60)}…”`);
});
