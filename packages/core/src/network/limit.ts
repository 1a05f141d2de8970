/** Limits of a quantity of the format: they differ in zero and the sign; the unit is the field's. */
export type Limit = 'any' | 'positive' | 'not-negative' | 'count' | 'exponent';

/** An exponent of a load's law is above this. */
export const leastExponent = 0.05;

/** The end of a sentence about a finite value that breaks a limit, and whether a value is within it. */
const limits: Readonly<Record<Limit, { readonly violation: string; isWithin(value: number): boolean }>> = {
  any: { violation: '', isWithin: () => true },
  positive: { violation: 'must be above zero', isWithin: (value) => value > 0 },
  'not-negative': { violation: 'must not be below zero', isWithin: (value) => value >= 0 },
  exponent: {
    violation: `must be above ${leastExponent} and at most 1`,
    isWithin: (value) => value > leastExponent && value <= 1,
  },
  count: {
    violation: 'must be a whole number, 1 or more',
    isWithin: (value) => Number.isInteger(value) && value >= 1,
  },
};

/** Returns the limit that `value` breaks, as the end of a sentence; null if it is within. */
export function limitViolation(limit: Limit, value: number): string | null {
  if (!Number.isFinite(value)) return 'must be a number';
  return limits[limit].isWithin(value) ? null : limits[limit].violation;
}
