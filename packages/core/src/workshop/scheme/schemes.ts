import { fail, ok, type Result } from '../../result.ts';
import { add, divide, exactly, multiply, subtract, toNumber, type DoubleDouble } from '../../solver/index.ts';
import { type Design, type DesignedRange, unitOfTarget } from './design.ts';
import type { DesignFault } from './design-fault.ts';
import type { Movement } from '../movement/movement.ts';

/** A scheme worked out: every range, rising, and the resistances that have to be built. */
export interface Plan {
  readonly ranges: readonly DesignedRange[];
  readonly sections: readonly { readonly resistance: number; readonly power: number }[];
}

/** Works a design's scheme out, exact values before any part is chosen. */
export function planDesign({ target, scheme, ranges: wanted }: Design, movement: Movement): Result<Plan, DesignFault> {
  const unit = unitOfTarget(target);
  const own = target === 'ammeter' ? movement.current : movement.voltage;
  const ranges = [...wanted].sort((a, b) => a - b);
  const twice = ranges.find((range, index) => range === ranges[index + 1]);
  if (twice !== undefined)
    return invalid(`The range of ${twice} ${unit} is there twice. Remove one of them.`, ['ranges']);
  if (ranges.length === 0) return invalid('A meter needs at least one range.', ['ranges']);
  if (scheme === (target === 'ammeter' ? 'string' : 'universal'))
    return invalid(
      target === 'ammeter'
        ? 'A multiplier chain makes a voltmeter. Choose individual shunts or a universal shunt.'
        : 'A universal shunt makes an ammeter. Choose individual multipliers or a multiplier chain.',
      ['scheme'],
    );
  const low = ranges.find((range) => subtract(exactly(range), own).hi <= 0);
  if (low !== undefined)
    return fail({
      code: 'range-too-low',
      message: `${low} ${unit} is not above the ${Number(toNumber(own).toPrecision(6))} ${unit} at which the movement itself is at full scale. Choose a higher range, or a more sensitive movement.`,
      where: ['ranges'],
    });
  if (target === 'voltmeter') return ok(scheme === 'string' ? string(ranges, movement) : multipliers(ranges, movement));
  return ok(scheme === 'universal' ? universalShunt(ranges, movement) : shunts(ranges, movement));
}

const invalid = (message: string, where: readonly string[]) =>
  fail<DesignFault>({ code: 'invalid-value', message, where });

/** R = I_m·R_m/(I − I_m) for each range, from equal voltage across movement and shunt. */
function shunts(ranges: readonly number[], movement: Movement): Plan {
  const planned = ranges.map((range): DesignedRange => {
    const rest = subtract(exactly(range), movement.current);
    const resistance = divide(movement.voltage, rest);
    return {
      range,
      resistance: toNumber(resistance),
      meterResistance: toNumber(divide(movement.voltage, exactly(range))),
      burden: toNumber(movement.voltage),
      sensitivity: null,
      power: toNumber(multiply(movement.voltage, rest)),
    };
  });
  return { ranges: planned, sections: planned.map(({ resistance, power }) => ({ resistance, power })) };
}

/**
 * One tapped resistance R_T = I_m·R_m/(I_lowest − I_m) across the movement, tapped at R_tap = I_m(R_T + R_m)/I from the common end: on the
 * lowest range the whole of it shunts, on a higher one the rest is in series with the movement.
 */
function universalShunt(ranges: readonly number[], { current, resistance: coil, voltage }: Movement): Plan {
  const shunt = divide(voltage, subtract(exactly(ranges[0]!), current));
  const loop = add(shunt, coil);
  const taps = ranges.map((range) => divide(multiply(current, loop), exactly(range)));
  taps[0] = shunt;
  const planned = ranges.map((range, k): DesignedRange => {
    const tap = taps[k]!;
    const rest = subtract(exactly(range), current);
    const behind = subtract(loop, tap);
    return {
      range,
      resistance: toNumber(tap),
      meterResistance: toNumber(divide(multiply(tap, behind), loop)),
      burden: toNumber(multiply(current, behind)),
      sensitivity: null,
      power: toNumber(multiply(multiply(rest, rest), tap)),
    };
  });
  // From the common end: the highest range's tap comes first. A section is in the shunt of its own range and those below.
  const sections = ranges.map((_, index) => {
    const k = ranges.length - 1 - index;
    const section = k === ranges.length - 1 ? taps[k]! : subtract(taps[k]!, taps[k + 1]!);
    const maximum = toNumber(subtract(exactly(ranges[k]!), current));
    const through = Math.max(maximum, index > 0 ? toNumber(current) : 0);
    return { resistance: toNumber(section), power: through ** 2 * toNumber(section) };
  });
  return { ranges: planned, sections };
}

/** R = V/I_m − R_m for each range. */
function multipliers(ranges: readonly number[], movement: Movement): Plan {
  const planned = ranges.map((range) => voltageRange(range, movement));
  return { ranges: planned, sections: planned.map(({ resistance, power }) => ({ resistance, power })) };
}

/** R_1 = V_1/I_m − R_m, then (V_k − V_{k−1})/I_m. */
function string(ranges: readonly number[], movement: Movement): Plan {
  const { current, voltage } = movement;
  const sections = ranges.map((range, k) => {
    const below: DoubleDouble = k === 0 ? voltage : exactly(ranges[k - 1]!);
    const drop = subtract(exactly(range), below);
    return { resistance: toNumber(divide(drop, current)), power: toNumber(multiply(drop, current)) };
  });
  return { ranges: ranges.map((range) => voltageRange(range, movement)), sections };
}

function voltageRange(range: number, { current, voltage }: Movement): DesignedRange {
  const drop = subtract(exactly(range), voltage);
  return {
    range,
    resistance: toNumber(divide(drop, current)),
    meterResistance: toNumber(divide(exactly(range), current)),
    burden: null,
    sensitivity: toNumber(divide(exactly(1), current)),
    power: toNumber(multiply(drop, current)),
  };
}
