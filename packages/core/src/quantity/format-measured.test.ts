import fc from 'fast-check';
import { digitsFor, formatMeasured } from './format-measured.ts';
import { parseQuantity } from './parse-quantity.ts';

const plain = (text: string): string => text.replace(/\u00a0/g, ' ');

test.each([
  [10.1373, 0.0018, '10.1373 V ± 1.8 mV'],
  [3.65, 0.605, '3.65 V ± 600 mV'],
  [12.579, 0.00996, '12.579 V ± 10 mV'],
  [-0.4271, 0.001, '−427.1 mV ± 1.0 mV'],
  [9.9996, 0.01, '10.000 V ± 10 mV'],
  [5, null, '5.000 V'],
  [0.0004, 0.02, '0 V ± 20 mV'],
])('%d known to %d is %s', (value, uncertainty, wanted) => {
  expect(plain(formatMeasured(value, uncertainty, 'V'))).toBe(wanted);
});

test.each([
  [12.579, 0.0096, 6],
  [427.1e-3, 1.0e-3, 4],
  [0, 1, 4],
  [5, null, 4],
  [1, 1e-20, 15],
])('%d known to %d has %d digits', (value, uncertainty, digits) => expect(digitsFor(value, uncertainty)).toBe(digits));

test('property: the printed interval contains the value, to a tenth of U', () => {
  let checked = 0;
  fc.assert(
    fc.property(
      fc.double({ min: 1e-6, max: 1e6, noNaN: true }),
      fc.double({ min: -7, max: 0.5, noNaN: true }),
      fc.boolean(),
      (size, share, isNegative) => {
        const [value, uncertainty] = [isNegative ? -size : size, size * 10 ** share];
        const [text, u] = plain(formatMeasured(value, uncertainty, 'V')).split(' ± ') as [string, string];
        const [printed, spread] = [parseQuantity(text.replace('−', '-'), 'V'), parseQuantity(u, 'V')];
        if (!printed.ok || !spread.ok) throw new Error(`${text} ± ${u}`);
        expect(Math.abs(printed.value - value)).toBeLessThanOrEqual(0.0501 * uncertainty);
        expect(Math.abs(spread.value / uncertainty - 1)).toBeLessThanOrEqual(0.0501);
        checked += 1;
      },
    ),
  );
  expect(checked).toBeGreaterThan(90);
});
