import type { Unit } from '../../quantity/index.ts';
import type { Limit } from '../limit.ts';

/** A quantity that a load has by its law. */
interface LawQuantity {
  readonly limit: Limit;
  /** Name in a sentence: the exponent. */
  readonly name: string;
  /** Null for a plain number. */
  readonly unit: Unit | null;
  /** The first version of the job format that has it. */
  readonly since: 2 | 3;
}

/** A load that is usual in the field, by its name. */
export interface UsualLoad<Values> {
  readonly name: string;
  readonly values: Values;
}

/**
 * A law I = I_r·f(V/V_r) of a load, with f(0) = 0, f(1) = 1 and f strictly increasing without end; I_r and V_r are its rated
 * current and voltage. In reverse it is odd, or the load carries nothing if it is polarised.
 *
 * A network of such loads has exactly one solution. It is searched with the voltage at a current, because the current at a
 * voltage may be infinitely steep at zero.
 */
export interface LoadLawKind<Values> {
  readonly quantities: { readonly [Key in keyof Values]-?: LawQuantity };
  /** Returns whether the law makes a load of a plain resistance. */
  isOhmic(values: Values): boolean;
  /** I/I_r at V/V_r, above 0. */
  current(values: Values, voltage: number): number;
  /** V/V_r at I/I_r, above 0. */
  voltage(values: Values, current: number): number;
  /** d(V/V_r)/d(I/I_r) at I/I_r, 0 or above. */
  slope(values: Values, current: number): number;
  /** Loads that follow the law. */
  readonly usual: readonly UsualLoad<Values>[];
  /** Reads a word of the line notation, `^0.55`; null if it is not about this law. */
  readWord(text: string): Values | null;
  /** Writes the law as `readWord` reads it. */
  writeWord(values: Values): string;
  /** Error for a word of this law behind a part that is not a load. */
  readonly onlyForLoads: string;
  /** The proportion in words, `I ∝ V^0.55`. */
  proportion(values: Values): string;
  /** The current from values as text: `300 mA × (3.2 V / 12 V)^0.55`. */
  working(values: Values, rated: { readonly current: string; readonly voltage: string }, voltage: string): string;
}
