import { fail, ok, type Result } from '../../result.ts';

/** Measurement of a movement's figures, with a supply and a series resistor that keep it within full scale. */
export interface MovementMeasurement {
  /** Second reading with a resistor across the movement, or with another one in series. */
  readonly method: 'half-deflection' | 'two-readings';
  /** V at the posts. */
  readonly supply: number;
  /** Half-width of the uncertainty of `supply`, as a fraction of it. */
  readonly supplyDoubt: number;
  /** Half-width of the uncertainty of a deflection, as a fraction of full scale. */
  readonly deflectionDoubt: number;
  /** Of the resistors, as a fraction. */
  readonly tolerance: number;
  /** Ω in series at the first reading. */
  readonly series: number;
  /** First deflection, as a fraction of full scale; 1 at full scale. */
  readonly deflection: number;
  /** Ω across the movement at the second reading, the series resistor left as it was; or in series instead of that. */
  readonly other: number;
  /** Second deflection. */
  readonly second: number;
}

interface Measured {
  readonly value: number;
  /** Half-width, in the same unit. */
  readonly uncertainty: number;
}

/** Figures of a movement found from readings. */
export interface MeasuredMovement {
  /** Ω of the coil. */
  readonly resistance: Measured;
  /** A at full scale. */
  readonly fullScaleCurrent: Measured;
  /**
   * Ω that the method gives in its simple form, and how far that is off: the resistor across at half deflection taken for the
   * coil. Null for two readings, which have no simple form.
   */
  readonly simple: { readonly resistance: number; readonly error: number } | null;
}

/**
 * A movement's coil resistance and full-scale current from two deflections.
 *
 * Half deflection: I_1 = E/(R + R_m), and with R_p across d_2/d_1 of it; the current from the supply rises meanwhile, so
 * R_m = R·R_p(1 − d)/(d(R + R_p) − R_p) with d = d_2/d_1, which is R·R_p/(R − R_p) at a half: the simple rule R_m = R_p is short by
 * R_m·R_p/R. Two readings: d_1(R_1 + R_m) = d_2(R_2 + R_m). Full scale from E/(R_1 + R_m) = d_1·I_m. Uncertainties by the first
 * derivative for each reading, in quadrature.
 */
export function measuredMovement(
  measured: MovementMeasurement,
): Result<MeasuredMovement, { readonly message: string }> {
  const value = coilAndCurrent(measured);
  if (!(value.resistance > 0) || !Number.isFinite(value.resistance) || !(value.fullScaleCurrent > 0))
    return fail({
      message:
        measured.method === 'half-deflection'
          ? `No coil does this: with ${measured.other} Ω across it the needle must fall below ${Number((measured.deflection * 100).toPrecision(4))} %, and not below the deflection of a coil without resistance. Check the deflections and both resistors.`
          : 'No coil does this: the needle must fall when the series resistor rises, by less than the resistors alone would make it. Check the deflections and both resistors.',
    });
  const shifts = shiftsOf(measured);
  const uncertainty = (of: keyof typeof value): number =>
    Math.hypot(...shifts.map((shifted) => coilAndCurrent(shifted)[of] - value[of]));
  return ok({
    resistance: { value: value.resistance, uncertainty: uncertainty('resistance') },
    fullScaleCurrent: { value: value.fullScaleCurrent, uncertainty: uncertainty('fullScaleCurrent') },
    simple:
      measured.method === 'half-deflection'
        ? { resistance: measured.other, error: measured.other / value.resistance - 1 }
        : null,
  });
}

function coilAndCurrent(of: MovementMeasurement): { readonly resistance: number; readonly fullScaleCurrent: number } {
  const ratio = of.second / of.deflection;
  const resistance =
    of.method === 'half-deflection'
      ? (of.series * of.other * (1 - ratio)) / (ratio * (of.series + of.other) - of.other)
      : (of.second * of.other - of.deflection * of.series) / (of.deflection - of.second);
  return { resistance, fullScaleCurrent: of.supply / (of.series + resistance) / of.deflection };
}

/** The measurement once for each of its readings, that one off by the half-width of its uncertainty. */
function shiftsOf(of: MovementMeasurement): MovementMeasurement[] {
  const { tolerance, deflectionDoubt } = of;
  return [
    { ...of, supply: of.supply * (1 + of.supplyDoubt) },
    { ...of, series: of.series * (1 + tolerance) },
    { ...of, other: of.other * (1 + tolerance) },
    { ...of, deflection: of.deflection + deflectionDoubt },
    { ...of, second: of.second + deflectionDoubt },
  ];
}
