import { fail, ok, type Result } from '../../result.ts';
import { divide, exactly, multiply, subtract, toNumber } from '../../solver/index.ts';
import type { DesignFault } from './design-fault.ts';
import type { Movement } from '../movement/movement.ts';

/** V across bought shunts at their rated current. */
export const standardDrops = [0.05, 0.06, 0.075, 0.1] as const;

/** A movement scaled to a bought shunt. */
export interface StandardShunt {
  /** Ω of the shunt itself, drop over rated current. */
  readonly shunt: number;
  /** Ω in series with the movement, leads counted off. */
  readonly series: number;
  /** Relative error at the rated current if the movement's own current were forgotten and V/I_m − R_m − leads put in series. */
  readonly forgotten: number;
  /** Ω of shunt and movement circuit together. */
  readonly meterResistance: number;
  /** W in the shunt. */
  readonly power: number;
}

/**
 * The series resistor that makes a movement read full scale at a standard shunt's rated current. The movement's own current does
 * not pass the shunt: R_s = (I − I_m)·R_shunt/I_m − R_m − R_leads.
 *
 * @param rated  A
 * @param drop   V at the rated current
 * @param leads  Ω of both sensing leads
 */
export function standardShunt(
  movement: Movement,
  rated: number,
  drop: number,
  leads: number,
): Result<StandardShunt, DesignFault> {
  const shunt = divide(exactly(drop), exactly(rated));
  const through = subtract(exactly(rated), movement.current);
  const whole = divide(multiply(through, shunt), movement.current);
  const series = subtract(subtract(whole, movement.resistance), exactly(leads));
  if (through.hi <= 0 || series.hi < 0)
    return fail({
      code: 'range-too-low',
      message: `The movement and its leads need ${Number(((toNumber(movement.resistance) + leads) * toNumber(movement.current)).toPrecision(4))} V at full scale, more than the ${drop} V of the shunt. Choose a shunt with a larger drop, or a movement with a smaller one.`,
      where: ['movement'],
    });
  const [rs, i, w] = [toNumber(shunt), toNumber(movement.current), toNumber(whole)];
  const path = drop / i;
  return ok({
    shunt: rs,
    series: toNumber(series),
    forgotten: (rated * rs) / (rs + path) / i - 1,
    meterResistance: (rs * w) / (rs + w),
    power: (rated - i) ** 2 * rs,
  });
}
