/** A voltage and a current, each a sum of unknowns and a constant, whose product is a power. */
export interface PowerEquation {
  readonly voltage: PlainForm;
  readonly current: PlainForm;
  /** W. */
  readonly power: number;
}

/** A linear equation, coefficients·x = constant. */
export interface PlainForm {
  readonly coefficients: readonly number[];
  readonly constant: number;
}
