import { formatPercent, formatQuantity } from './format-quantity.ts';

const plain = (text: string): string => text.replace(/\u00a0/g, ' ');

test.each([
  [0.00031486, 'A', {}, '314.9 µA'],
  [999.96, 'Ω', {}, '1.000 kΩ'],
  [56_000, 'Ω', { trim: true }, '56 kΩ'],
  [4700, 'Ω', { trim: true }, '4.7 kΩ'],
  [100, 'Ω', { digits: 2, trim: true }, '100 Ω'],
  [6.3672, 'V', {}, '6.367 V'],
  [-0.0171, 'V', { digits: 3 }, '−17.1 mV'],
  [0.0171, 'V', { digits: 3, signed: true }, '+17.1 mV'],
  [0, 'A', {}, '0 A'],
  [-0, 'A', { signed: true }, '0 A'],
  [1e-18, 'W', { digits: 3 }, '0.00100 fW'],
  [1e-19, 'W', { digits: 3 }, '1.00×10⁻¹⁹ W'],
  [-1.05e-30, 'V', { trim: true }, '−1.05×10⁻³⁰ V'],
  [1e308, 'V', { trim: true }, '1×10³⁰⁸ V'],
  [2e10, 'Ω', { trim: true }, '20 GΩ'],
  [5e15, 'Ω', {}, '5000 TΩ'],
  [null, 'V', {}, '–'],
  [Number.NaN, 'V', {}, '–'],
] as const)('prints %j %s %j as %j', (value, unit, options, wanted) => {
  expect(plain(formatQuantity(value, unit, options))).toBe(wanted);
});

test.each([
  [-0.426, {}, '−42.6 %'],
  [0.00268, { signed: true }, '+0.268 %'],
  [0.05, { digits: 2, trim: true }, '5 %'],
  [-1, {}, '−100 %'],
  [0, { signed: true }, '0 %'],
  [-1e-10, {}, '−1.0×10⁻⁸ %'],
  [null, {}, '–'],
] as const)('prints the ratio %j %j as %j', (ratio, options, wanted) => {
  expect(plain(formatPercent(ratio, options))).toBe(wanted);
});
