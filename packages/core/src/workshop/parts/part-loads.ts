import type { Combination } from '../scheme/design.ts';

/** Ratings of one kind of resistor. */
export interface Ratings {
  /** W. */
  readonly powerRating: number;
  /** V across one, whatever its power; none known if omitted. */
  readonly limitingVoltage?: number;
}

/** Load of one resistor of a section at full scale. */
export interface PartLoad {
  /** Ω. */
  readonly resistance: number;
  /** W. */
  readonly power: number;
  /** V. */
  readonly voltage: number;
}

/**
 * Power and voltage of every part of a section: in series they share by resistance, in parallel by conductance.
 *
 * @param section  Ω wanted and the W in it at full scale
 */
export function partLoads(
  section: { readonly resistance: number; readonly power: number },
  { values, joined }: Pick<Combination, 'values' | 'joined'>,
): PartLoad[] {
  const weights = values.map((value) => (joined === 'parallel' ? 1 / value : value));
  const sum = weights.reduce((total, weight) => total + weight, 0);
  return values.map((resistance, k) => {
    const power = (section.power * weights[k]!) / sum;
    return { resistance, power, voltage: Math.sqrt(power * resistance) };
  });
}

/** Returns whether every part stays within half of its power and within its limiting voltage. */
export const withinRatings = (loads: readonly PartLoad[], { powerRating, limitingVoltage }: Ratings): boolean =>
  loads.every(({ power, voltage }) => power <= powerRating / 2 && voltage <= (limitingVoltage ?? Infinity));

/**
 * Returns the number of equal parts in series (a multiplier) or in parallel (a shunt) that keeps each within its ratings.
 *
 * n parts in series have P/n and V/n each; in parallel P/n at the whole voltage, which never is what limits a shunt.
 */
export function partsNeeded(
  section: { readonly resistance: number; readonly power: number },
  { powerRating, limitingVoltage }: Ratings,
): number {
  const voltage = Math.sqrt(section.power * section.resistance);
  return Math.max(1, Math.ceil(section.power / (powerRating / 2)), Math.ceil(voltage / (limitingVoltage ?? Infinity)));
}
