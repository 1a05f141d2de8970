import type { Curve } from '../network/index.ts';
import { exactly, zero, type DoubleDouble } from './linear/double-double.ts';

/**
 * Element or meter in the solver: two ends and a law between them, with `i` the current from → to through it.
 *
 * - `resistance`: V(from) − V(to) = emf + resistance·i, resistance above zero
 * - `ideal`: the same with no resistance: a link, a closed switch, an ideal source
 * - `current`: i is given
 * - `open`: no current
 */
export interface Branch {
  readonly id: string;
  readonly kind: 'resistance' | 'ideal' | 'current' | 'open';
  readonly from: number;
  readonly to: number;
  /** Ω; 0 but for `resistance`. */
  readonly resistance: DoubleDouble;
  /** V. */
  readonly emf: DoubleDouble;
  /** A, from → to through the branch; 0 but for `current`. */
  readonly current: number;
  /** Of a load that is not this resistance throughout: what it really does. */
  readonly law?: LoadLaw;
}

/** The law of a load that is not a resistance: its curve between the rated values, and nothing in reverse if it is polarised. */
export interface LoadLaw {
  /** V. */
  readonly ratedVoltage: number;
  /** A. */
  readonly ratedCurrent: number;
  readonly curve: Curve;
  readonly polarised: boolean;
}

/** Branches between nodes numbered from 0. */
export interface Circuit {
  readonly nodes: number;
  /** The node that potentials are given against. */
  readonly reference: number;
  readonly branches: readonly Branch[];
}

/** A meter as a branch: a resistance, or an ideal branch where it has none. */
export const meterBranch = (id: string, from: number, to: number, resistance: number): Branch => ({
  id,
  kind: resistance > 0 ? 'resistance' : 'ideal',
  from,
  to,
  resistance: exactly(resistance),
  emf: zero,
  current: 0,
});
