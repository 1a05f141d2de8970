import type { Series } from '../../quantity/index.ts';
import type { MovementFigures } from '../movement/movement.ts';

/** Arrangement of shunts or multipliers. */
export type Scheme = 'individual' | 'universal' | 'string';

/** Parts to choose from. */
export interface PartsChoice {
  readonly series: Series;
  /** Fraction. */
  readonly tolerance: number;
  /** W of each part. */
  readonly powerRating: number;
  /** Parts joined in one section, 1 to 3. */
  readonly maxParts: number;
}

/** A meter to be made of a movement, `*.design.json`. */
export interface Design {
  readonly format: 'usual-drag/design';
  readonly version: 1;
  readonly title?: string;
  readonly target: 'ammeter' | 'voltmeter';
  readonly movement: MovementFigures;
  /** Ammeter: individual or universal. Voltmeter: individual or string. */
  readonly scheme: Scheme;
  /** A or V at full scale, in any order. */
  readonly ranges: readonly number[];
  /** `usualParts` if omitted. */
  readonly parts?: PartsChoice;
}

/** Parts of a usual workshop. */
export const usualParts: PartsChoice = { series: 'E96', tolerance: 0.01, powerRating: 0.25, maxParts: 2 };

/** Returns the unit of a meter. */
export const unitOfTarget = (target: Design['target']): 'A' | 'V' => (target === 'ammeter' ? 'A' : 'V');

/** Resistors of a series joined into one section. */
export interface Combination {
  /** Ω, rising. */
  readonly values: readonly number[];
  readonly joined: 'single' | 'series' | 'parallel';
  /** Ω of them together. */
  readonly resistance: number;
}

/** Design of a range of the finished meter. */
export interface DesignedRange {
  /** A or V. */
  readonly range: number;
  /** Ω: the shunt between the terminals, or the whole multiplier before the movement. */
  readonly resistance: number;
  /** Ω that the finished meter presents. */
  readonly meterResistance: number;
  /** V dropped at full scale; null for a voltmeter. */
  readonly burden: number | null;
  /** Ω for 1 V; null for an ammeter. */
  readonly sensitivity: number | null;
  /** W in `resistance` at full scale. */
  readonly power: number;
}

/** A resistance to be built. */
export interface Section {
  /** Ω. */
  readonly resistance: number;
  /** W, the worst over the ranges. */
  readonly power: number;
  readonly parts: Combination;
}

/** A range of the built meter, with its errors. */
export interface BuiltRange {
  readonly range: number;
  /** Relative error of the reading at full scale with the parts at their nominal values. */
  readonly fullScaleError: number;
  /** The least and the most of it over the parts' tolerance. */
  readonly worstCase: readonly [number, number];
}

/** Resistances of a designed meter, and the errors of its ranges. */
export interface DesignResult {
  readonly format: 'usual-drag/design-result';
  readonly version: 1;
  readonly ranges: readonly DesignedRange[];
  /** Universal: from the common end. String: from the movement. Individual: one a range. */
  readonly sections: readonly Section[];
  readonly asBuilt: readonly BuiltRange[];
}
