/** Rounding of every number that a hand calculation writes down on the way. */
export interface Rounding {
  readonly how: 'exact' | 'round' | 'truncate';
  /** Significant digits that are kept, 1 to 15. */
  readonly digits: number;
}

/** No rounding between steps. */
export const exact: Rounding = { how: 'exact', digits: 15 };

/** Digits to which a double is taken as its decimal number: the last ones are noise of binary sums. */
const decimalDigits = 12;

/** Returns an intermediate result as it is written down before the next step takes it up. */
export function writtenDown(value: number, { how, digits }: Rounding): number {
  if (how === 'exact' || value === 0 || !Number.isFinite(value)) return value;
  if (how === 'round') return Number(value.toPrecision(digits));
  // 162.0 + 150.0 is a little below 312 in binary: the decimal text is cut off, not the double.
  const decimal = Math.abs(value).toExponential(Math.max(decimalDigits, digits) - 1);
  const [mantissa, exponent] = decimal.split('e') as [string, string];
  return Math.sign(value) * Number(`${mantissa.slice(0, digits === 1 ? 1 : digits + 1)}e${exponent}`);
}
