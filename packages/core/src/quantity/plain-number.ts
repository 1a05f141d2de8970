/**
 * Returns a number with some significant digits and without an exponent: `1000`, `0.00042`, `3.30`.
 *
 * @param digits  significant digits
 */
export function plainNumber(value: number, digits: number): string {
  const text = value.toPrecision(digits);
  if (!text.includes('e')) return text;
  return value.toLocaleString('en', { maximumSignificantDigits: digits, useGrouping: false });
}
