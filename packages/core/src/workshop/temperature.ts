import { fail, ok, type Result } from '../result.ts';
import { toNumber } from '../solver/index.ts';
import { fullScaleErrors } from './as-built.ts';
import type { DesignFault } from './design.ts';
import { copperCoefficient, movementInUse, type MovementAsFound } from './movement-as-found.ts';
import { movementOfSide, type WorkedSide, type Workpiece } from './workpiece.ts';

/**
 * Relative error of each range at full scale with the whole meter off the temperature that it was adjusted at: a shunt across a
 * bare coil does not hide the coil's rise, a multiplier and a swamping resistor do. Shunts and multipliers gain by their own
 * coefficient, all in the same sense.
 *
 * @param kelvin  above the temperature of the movement's figures
 */
export function temperatureErrors(
  workpiece: Workpiece,
  { side, design, result }: Pick<WorkedSide, 'side' | 'design' | 'result'>,
  kelvin: number,
): Result<readonly number[], DesignFault> {
  const warm = movementOfSide(workpiece, side, kelvin);
  if (!warm.ok) return warm;
  const factor = 1 + (workpiece.parts.coefficient ?? 0) * kelvin;
  if (!(factor > 0) || !(toNumber(warm.value.resistance) > 0))
    return fail({ code: 'invalid-value', message: 'No resistance is left so far below.', where: ['kelvin'] });
  const fullScales = result.ranges.map(({ range }) => range);
  const sections = result.sections.map(({ resistance }) => resistance * factor);
  return ok(fullScaleErrors(design, warm.value, fullScales, sections));
}

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
 * enough on every range. A multiplier that stays in the meter swamps as well. The shunts' own coefficient is not in it.
 *
 * @param span   K to either side
 * @param error  the target, as a fraction
 */
export function swampingResistor(found: MovementAsFound, span: number, error: number): Result<Swamping, DesignFault> {
  const { builtIn, coilCoefficient: coefficient = copperCoefficient } = found;
  const bare = movementInUse({ figures: found.figures, ...(builtIn && { builtIn: { ...builtIn, stays: false } }) });
  if (!bare.ok) return bare;
  const [current, coil] = [toNumber(bare.value.current), toNumber(bare.value.resistance)];
  const there = builtIn?.stays && builtIn.kind === 'multiplier' ? builtIn.resistance : 0;
  // Cold the coil loses as much as it gains warm, and the error is 1/(1 − x) − 1: a little larger.
  const rise = coefficient * span * (1 + error);
  const resistance = Math.max(0, coil * (rise / error - 1) - there);
  return ok({ resistance, burden: current * (coil + there + resistance) });
}
