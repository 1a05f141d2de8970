import type { Limit } from './limit.ts';
import { curveQuantities, type CurveQuantities } from './load-laws/index.ts';

const curveLimits = Object.fromEntries(Object.entries(curveQuantities).map(([key, { limit }]) => [key, limit])) as {
  readonly [Key in keyof CurveQuantities]-?: Limit;
};

/** The limit of every quantity of an element; the one table that validation, forms and the published schema follow. */
export const elementLimits = {
  emf: 'any',
  internalResistance: 'not-negative',
  cellsInSeries: 'count',
  cellsInParallel: 'count',
  currentLimit: 'not-negative',
  ceiling: 'not-negative',
  resistance: 'positive',
  measuredResistance: 'positive',
  tolerance: 'not-negative',
  powerRating: 'not-negative',
  current: 'any',
  compliance: 'not-negative',
  ratedVoltage: 'positive',
  ratedCurrent: 'positive',
  ...curveLimits,
} as const satisfies Record<string, Limit>;

/** A quantity that an element can have. */
export type QuantityKey = keyof typeof elementLimits;

/** The limit of every quantity of an instrument's range, but for `resistance`: above zero for volts, zero allowed for current. */
export const rangeLimits = {
  fullScale: 'positive',
  accuracyOfRange: 'not-negative',
  divisions: 'positive',
  resolution: 'positive',
  accuracyOfReading: 'not-negative',
  accuracyCounts: 'not-negative',
  resistanceTolerance: 'not-negative',
  fuse: 'positive',
} as const satisfies Record<string, Limit>;

/** Names of elements, nodes, meters and set-ups. The names that every object has are excluded, because results are looked up by name. */
export const namePattern =
  /^(?!(?:constructor|hasOwnProperty|isPrototypeOf|propertyIsEnumerable|toLocaleString|toString|valueOf|__proto__|__(?:define|lookup)[GS]etter__)$)[A-Za-z0-9_-]{1,32}$/;

/** Returns the fault of a name, as the end of a sentence; null if it has none. */
export function nameViolation(name: string): string | null {
  if (namePattern.test(name)) return null;
  return name in Object.prototype
    ? 'cannot be a name: the program uses this word itself. Choose another one'
    : 'cannot be a name: up to 32 letters, digits, - and _, without spaces';
}
