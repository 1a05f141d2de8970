import { fail, ok, type Result } from '../../result.ts';
import { toNumber } from '../../solver/index.ts';
import { fullScaleErrors } from '../errors/as-built.ts';
import type { DesignFault } from '../scheme/design-fault.ts';
import { copperCoefficient, movementInUse } from './movement-as-found.ts';
import { movementOfSide, type WorkedSide, type MeterProject } from '../scheme/meter-project.ts';

/** Steps by which rounding must not lift a value to the next one. */
const rounding = 1e-9;

/**
 * Relative error of each range at full scale with the whole meter off the temperature that it was adjusted at: a shunt across a
 * bare coil does not hide the coil's rise, a multiplier and a swamping resistor do. Shunts and multipliers gain by their own
 * coefficient, all in the same sense.
 *
 * @param kelvin  above the temperature of the movement's figures
 */
export function temperatureErrors(
  meterProject: MeterProject,
  { side, design, result }: Pick<WorkedSide, 'side' | 'design' | 'result'>,
  kelvin: number,
): Result<readonly number[], DesignFault> {
  const warm = movementOfSide(meterProject, side, kelvin);
  if (!warm.ok) return warm;
  const factor = 1 + (meterProject.parts.coefficient ?? 0) * kelvin;
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
 * The smallest swamping resistor that keeps the error of a shunted movement within a target over a span of temperature, to three
 * digits, rather more than less.
 *
 * A shunt R_s across R = R_m + R_w lets the movement have I_m = I·R_s/(R_s + R). Far above the movement's own current R_s is next
 * to nothing beside R; ΔT off, with coil α and shunts β, the reading is then (1 + βΔT)/(1 + αΔT·R_m/R) of what it was, and nearer
 * to it on the lower ranges. Cold it is the furthest off, on the high side: R = R_m·(1 + ε)αΔT/(ε + βΔT) holds it to ε. A
 * multiplier that stays in the meter swamps as well.
 *
 * @param span   K to either side
 * @param error  the target ε, as a fraction
 * @returns a fault where so little of what is there already is copper that the shunts' own coefficient is beyond the target
 */
export function swampingResistor(
  { movement: found, parts }: Pick<MeterProject, 'movement' | 'parts'>,
  span: number,
  error: number,
): Result<Swamping, DesignFault> {
  const { builtIn, coilCoefficient = copperCoefficient } = found;
  const bare = movementInUse({ figures: found.figures, ...(builtIn && { builtIn: { ...builtIn, stays: false } }) });
  if (!bare.ok) return bare;
  const [current, coil] = [toNumber(bare.value.current), toNumber(bare.value.resistance)];
  const there = builtIn?.stays && builtIn.kind === 'multiplier' ? builtIn.resistance : 0;
  const [coilGains, shuntsGain] = [coilCoefficient * span * coil, (parts.coefficient ?? 0) * span];
  const resistance = roundedUp(Math.max(0, ((1 + error) * coilGains) / (error + shuntsGain) - coil - there));
  const burdened = coil + there + resistance;
  if ((shuntsGain - error) * burdened > (1 - error) * coilGains)
    return fail({
      code: 'invalid-value',
      message: `The resistors' own temperature coefficient accounts for ${Number((shuntsGain * 100).toPrecision(3))} % over ${span} K: choose parts of a lower one, or allow a larger error.`,
      where: ['parts.coefficient'],
    });
  return ok({ resistance, burden: current * burdened });
}

function roundedUp(ohms: number): number {
  if (ohms === 0) return 0;
  const last = 10 ** (Math.floor(Math.log10(ohms)) - 2);
  return Number((Math.ceil(ohms / last - rounding) * last).toPrecision(3));
}
