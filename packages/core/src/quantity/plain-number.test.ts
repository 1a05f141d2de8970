import { plainNumber } from './plain-number.ts';

test.each([
  [3.3, '3.30'],
  [999.7, '1000'],
  [1000, '1000'],
  [123_456, '123000'],
  [4.2e-7, '0.00000042'],
  [0, '0.00'],
  [-1500, '-1500'],
])('%p has no exponent', (value, text) => {
  expect(plainNumber(value, 3)).toBe(text);
});
