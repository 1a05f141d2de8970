import type { MeterQuantity } from '../instrument/index.ts';
import type { RangeReading } from './range-correction.ts';

/** A resistor of known value that is put to the meter for a second reading. */
export interface KnownResistor {
  /** Ω. */
  readonly resistance: number;
  /** Across the meter's terminals, or in series with it. */
  readonly placed: 'across' | 'in-series';
}

/**
 * A reading taken with a known resistor at the meter, as the reading of one meter made of both.
 *
 * A resistor across a voltmeter, or in series with an ammeter, only changes the resistance. One in series with a voltmeter
 * makes it a meter of R_m + R_k that shows R_m/(R_m + R_k) of what it stands across; one across an ammeter takes R_m/(R_m + R_k)
 * of the current past it.
 */
export function withKnownResistor(
  { indicated, uncertainty, meterResistance: rm, ...rest }: RangeReading,
  { resistance: rk, placed }: KnownResistor,
  quantity: MeterQuantity,
): RangeReading {
  const meterResistance = placed === 'across' ? (rm * rk) / (rm + rk) : rm + rk;
  const volts = quantity === 'dc-voltage';
  const scale = volts === (placed === 'across') ? 1 : volts ? (rm + rk) / rm : (rm + rk) / rk;
  return { ...rest, indicated: indicated * scale, uncertainty: uncertainty * scale, meterResistance };
}
