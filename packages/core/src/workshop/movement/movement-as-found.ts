import { fail, ok, type Result } from '../../result.ts';
import { add, divide, exactly, multiply, subtract, toNumber, type DoubleDouble } from '../../solver/index.ts';
import type { DesignFault } from '../scheme/design-fault.ts';
import { movementOf, type Movement, type MovementFigures } from './movement.ts';

/** Share of its resistance that a coil of copper gains for each kelvin. */
export const copperCoefficient = 0.00393;

/** A resistor that a meter had inside already. */
export interface BuiltIn {
  readonly kind: 'shunt' | 'multiplier';
  /** Ω. */
  readonly resistance: number;
  /** Whether the figures are those of the coil alone, or of coil and resistor together as printed on the meter's dial. */
  readonly figuresOf: 'coil' | 'meter';
  /** It stays where it is, or it is taken out. */
  readonly stays: boolean;
}

/** A movement as it came out of the drawer, and what is done to it before any range is made. */
export interface MovementAsFound {
  readonly figures: MovementFigures;
  readonly builtIn?: BuiltIn;
  /** Ω put in series with the coil, of low temperature coefficient. */
  readonly swamping?: number;
  /** Share of its resistance that the coil gains for each kelvin; copper if omitted. */
  readonly coilCoefficient?: number;
}

/**
 * The movement that shunts and multipliers are made for: the coil, its swamping resistor in series, and what was built in and
 * stays.
 *
 * V = I·R throughout; a shunt R_s that stays adds V/R_s to the current, a multiplier adds its resistance. Taking one out of the
 * meter's own figures is the same backwards.
 *
 * @param kelvin  that the coil is above the temperature of its figures; the resistors stay as they are
 */
export function movementInUse(found: MovementAsFound, kelvin = 0): Result<Movement, DesignFault> {
  const marked = movementOf(found.figures);
  if (!marked.ok) return marked;
  const bare = coilOf(marked.value, found.builtIn);
  if (!bare.ok) return bare;
  const rise = exactly(1 + (found.coilCoefficient ?? copperCoefficient) * kelvin);
  const warm = multiply(bare.value.resistance, kelvin === 0 ? exactly(1) : rise);
  const inSeries = inSeriesWith({ ...bare.value, resistance: warm }, exactly(found.swamping ?? 0));
  const { builtIn } = found;
  if (!builtIn?.stays) return ok(inSeries);
  const resistor = exactly(builtIn.resistance);
  return ok(builtIn.kind === 'multiplier' ? inSeriesWith(inSeries, resistor) : shuntedBy(inSeries, resistor));
}

/** The coil alone, from figures that may be those of the whole meter. */
function coilOf(marked: Movement, builtIn: BuiltIn | undefined): Result<Movement, DesignFault> {
  if (builtIn?.figuresOf !== 'meter') return ok(marked);
  const resistor = exactly(builtIn.resistance);
  if (builtIn.kind === 'multiplier') {
    const resistance = subtract(marked.resistance, resistor);
    if (resistance.hi > 0)
      return ok({ current: marked.current, resistance, voltage: multiply(marked.current, resistance) });
  } else {
    const current = subtract(marked.current, divide(marked.voltage, resistor));
    if (current.hi > 0) return ok({ current, voltage: marked.voltage, resistance: divide(marked.voltage, current) });
  }
  const whole = Number(toNumber(marked.resistance).toPrecision(6));
  return fail({
    code: 'invalid-value',
    message:
      builtIn.kind === 'multiplier'
        ? `A multiplier of ${builtIn.resistance} Ω cannot be in a meter of ${whole} Ω in all. Measure it again, or say that the figures are the coil's.`
        : `A shunt of ${builtIn.resistance} Ω would carry more than the whole current of a meter of ${whole} Ω. Measure it again, or say that the figures are the coil's.`,
    where: ['movement.builtIn'],
  });
}

const inSeriesWith = ({ current, resistance: of }: Movement, more: DoubleDouble): Movement => {
  const resistance = add(of, more);
  return { current, resistance, voltage: multiply(current, resistance) };
};

/** A movement with a resistor across it for good, Ω: it needs more current for the same voltage. */
export const shuntedBy = (of: Movement, shunt: DoubleDouble): Movement => {
  const current = add(of.current, divide(of.voltage, shunt));
  return { current, voltage: of.voltage, resistance: divide(of.voltage, current) };
};

/** The figures that a design file has for the movement in use: as they were typed if nothing was done to it. */
export function figuresInUse(found: MovementAsFound, inUse: Movement): MovementFigures {
  const { builtIn, swamping = 0 } = found;
  const asMarked = swamping === 0 && (!builtIn || builtIn.stays === (builtIn.figuresOf === 'meter'));
  return asMarked
    ? found.figures
    : { fullScaleCurrent: toNumber(inUse.current), resistance: toNumber(inUse.resistance) };
}
