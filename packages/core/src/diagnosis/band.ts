/** A value with the limits of its U. */
export interface Band {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

/** Returns the limits value ± U, in the unit of both. */
export const bandOf = (value: number, uncertainty: number): Band => ({
  value,
  low: value - uncertainty,
  high: value + uncertainty,
});
