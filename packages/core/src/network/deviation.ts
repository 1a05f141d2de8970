import type { Resistor } from './element.ts';

/** Share of the tolerance, and of the value, by which rounding may pass a limit. */
const [toleranceNoise, valueNoise] = [1e-9, 1e-15];

/** A resistor's measured value against what is marked on it. */
export interface Deviation {
  /** (measured − nominal)/nominal. */
  readonly ratio: number;
  /** Whether it is within the tolerance; null if none is given. */
  readonly within: boolean | null;
}

/** Null if the part was not measured. A value on the limit itself, to a rounding error, is within. */
export function deviationOf({ resistance, measuredResistance, tolerance }: Resistor): Deviation | null {
  if (measuredResistance === undefined) return null;
  const ratio = (measuredResistance - resistance) / resistance;
  return {
    ratio,
    within: tolerance === undefined ? null : Math.abs(ratio) <= tolerance * (1 + toleranceNoise) + valueNoise,
  };
}

/** Returns how far a value is from a part's nominal one, as a ratio, and whether it is within the part's tolerance. */
export const deviationFrom = (part: Resistor, value: number): Deviation =>
  deviationOf({ ...part, measuredResistance: value })!;
