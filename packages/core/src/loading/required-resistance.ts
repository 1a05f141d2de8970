import type { MeterQuantity } from '../instrument/index.ts';

/**
 * The meter resistance at which the loading error is just `error`.
 *
 * R_m ≥ R_s(1 − ε)/ε across, R_m ≤ R_s·ε/(1 − ε) in series, from ε = R_s/(R_m + R_s) and ε = R_m/(R_m + R_s).
 *
 * @param error  share of the true value, between 0 and 1
 * @returns Ω: at least this across, at most this in series
 */
export function requiredResistance(sourceResistance: number, error: number, quantity: MeterQuantity): number {
  const ratio = (1 - error) / error;
  return quantity === 'dc-voltage' ? sourceResistance * ratio : sourceResistance / ratio;
}
