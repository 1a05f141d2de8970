import { fail, ok, type Result } from '../../result.ts';
import { divide, exactly, multiply, toNumber, type DoubleDouble } from '../../solver/index.ts';
import type { DesignFault } from '../scheme/design-fault.ts';

/** A movement by any two of its figures; a third must agree with them. */
export interface MovementFigures {
  /** A at full scale. */
  readonly fullScaleCurrent?: number;
  /** Ω of the coil. */
  readonly resistance?: number;
  /** V across the coil at full scale. */
  readonly fullScaleVoltage?: number;
}

/** All three figures, to more digits than a double has: differences of nearly equal values are taken from them. */
export interface Movement {
  readonly current: DoubleDouble;
  readonly resistance: DoubleDouble;
  readonly voltage: DoubleDouble;
}

/** Relative difference from which on three figures contradict each other. */
const agreement = 1e-9;

/** The third figure of a movement from the other two, by V_m = I_m·R_m. */
export function movementOf(figures: MovementFigures): Result<Movement, DesignFault> {
  const { fullScaleCurrent: i, resistance: r, fullScaleVoltage: v } = figures;
  if (i !== undefined && r !== undefined) {
    const movement = { current: exactly(i), resistance: exactly(r), voltage: multiply(exactly(i), exactly(r)) };
    const product = toNumber(movement.voltage);
    if (v === undefined || Math.abs(v - product) <= agreement * product) return ok(movement);
    return fail({
      code: 'movement-contradiction',
      message: `${i} A through ${r} Ω drop ${Number(product.toPrecision(10))} V, not ${v} V. Remove or correct one of the three figures.`,
      where: ['movement.fullScaleVoltage'],
    });
  }
  if (i !== undefined && v !== undefined)
    return ok({ current: exactly(i), voltage: exactly(v), resistance: divide(exactly(v), exactly(i)) });
  if (r !== undefined && v !== undefined)
    return ok({ resistance: exactly(r), voltage: exactly(v), current: divide(exactly(v), exactly(r)) });
  return fail({
    code: 'invalid-value',
    message: 'A movement needs two of its figures: full-scale current, resistance, full-scale voltage.',
    where: ['movement'],
  });
}
