import { fullScaleErrors } from './as-built.ts';
import type { Design } from './design.ts';
import type { Movement } from './movement.ts';
import { exactly, multiply, toNumber } from '../solver/index.ts';

/** Share of its resistance that a coil of copper gains for each kelvin. */
export const copperCoefficient = 0.00393;

/** The movement with its coil warmed or cooled; full scale stays at the same current. */
function warmed(movement: Movement, kelvin: number, coefficient = copperCoefficient): Movement {
  const factor = exactly(1 + coefficient * kelvin);
  return {
    current: movement.current,
    resistance: multiply(movement.resistance, factor),
    voltage: multiply(movement.voltage, factor),
  };
}

/**
 * Relative error of each range at full scale with the coil off the temperature that it was adjusted at, shunts and multipliers
 * keeping theirs: a shunt across a bare coil does not hide its rise, a multiplier does.
 */
export const temperatureErrors = (
  design: Pick<Design, 'target' | 'scheme'>,
  movement: Movement,
  ranges: readonly number[],
  sections: readonly number[],
  kelvin: number,
): number[] => fullScaleErrors(design, warmed(movement, kelvin), ranges, sections);

/** A resistor of low temperature coefficient in series with the coil, and what it costs. */
export interface Swamping {
  /** Ω. */
  readonly resistance: number;
  /** V across movement and resistor at full scale. */
  readonly burden: number;
}

/**
 * The swamping resistor that keeps the error of a shunted movement within a target over a span of temperature.
 *
 * With I·R_s = I_m(R_m + R_w + R_s) at the adjusted temperature, a coil that gains αΔT·R_m takes αΔT·R_m/(R_m + R_w + R_s) less
 * of the current. Far above the movement's own current R_s is next to nothing beside the rest, so R_w = R_m(αΔT/ε − 1) is
 * enough on every range.
 *
 * @param span   K to either side
 * @param error  the target, as a fraction
 */
export function swampingResistor(movement: Movement, span: number, error: number): Swamping {
  const [current, coil] = [toNumber(movement.current), toNumber(movement.resistance)];
  // Cold the coil loses as much as it gains warm, and the error is 1/(1 − x) − 1: a little larger.
  const rise = copperCoefficient * span * (1 + error);
  const resistance = Math.max(0, coil * (rise / error - 1));
  return { resistance, burden: current * (coil + resistance) };
}
