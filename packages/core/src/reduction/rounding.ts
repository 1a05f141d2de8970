/** What a hand calculation does to every number it writes down on the way. */
export interface Rounding {
  readonly how: 'exact' | 'round' | 'truncate';
  /** Significant digits that are kept, 1 to 15. */
  readonly digits: number;
}

export const exact: Rounding = { how: 'exact', digits: 15 };

/** An intermediate result as it is written down before the next step takes it up. */
export function writtenDown(value: number, { how, digits }: Rounding): number {
  if (how === 'exact' || value === 0 || !Number.isFinite(value)) return value;
  if (how === 'round') return Number(value.toPrecision(digits));
  const [mantissa, exponent] = Math.abs(value).toExponential(40).split('e') as [string, string];
  return Math.sign(value) * Number(`${mantissa.slice(0, digits === 1 ? 1 : digits + 1)}e${exponent}`);
}
