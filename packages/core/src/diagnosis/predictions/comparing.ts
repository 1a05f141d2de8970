/**
 * How a recorded value is compared with a prediction.
 *
 * - `signed`: the value itself
 * - `magnitude`: both without their signs, for a job whose convention drops minus signs
 * - `over-range`: the display was `OL`; `value` is then the full scale that the prediction has to exceed
 */
type Comparison = 'signed' | 'magnitude' | 'over-range';

/** A recorded value with the way in which it is compared. V, A or Ω. */
export interface Compared {
  readonly value: number;
  readonly comparison: Comparison;
}

/**
 * Returns how far a recorded value is from a prediction, in the unit of both.
 *
 * @param predicted  Infinity for a prediction beyond every range
 * @returns value − predicted; 0 for an `OL` that the prediction explains; ±Infinity for a number if `OL` is predicted
 */
export function differenceFrom({ value, comparison }: Compared, predicted: number): number {
  if (comparison === 'signed') return value - predicted;
  if (comparison === 'magnitude') return Math.abs(value) - Math.abs(predicted);
  return Math.max(0, value - Math.abs(predicted));
}

/** Returns how far two predictions of one reading are apart as the reading would record them, in its unit. */
export function separation({ value, comparison }: Compared, one: number, other: number): number {
  if (one === other) return 0;
  if (comparison === 'signed') return Math.abs(one - other);
  const [a, b] = [Math.abs(one), Math.abs(other)];
  return comparison === 'magnitude' ? Math.abs(a - b) : Math.abs(Math.min(a, value) - Math.min(b, value));
}
