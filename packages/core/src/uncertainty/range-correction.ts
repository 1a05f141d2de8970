import {
  withoutOwnError,
  readingUncertainty,
  type Instrument,
  type MeterQuantity,
  type Range,
} from '../instrument/index.ts';
import { stateOn } from '../loading/index.ts';
import { fail, ok, type Result } from '../result.ts';

/** Share of the intercept that rounding may add to a slope of zero. */
const slopeNoise = 1e-9;

/** One reading of the same place, on a range of known resistance. */
export interface RangeReading {
  /** V or A, above zero. */
  readonly indicated: number;
  /** Limit of the reading's own uncertainty, V or A. */
  readonly uncertainty: number;
  /** Ω of the meter on this range. */
  readonly meterResistance: number;
  /** Limit of `meterResistance` as a share of it; 1 % if omitted. */
  readonly resistanceTolerance?: number;
}

/** Limit of the resistance of a range whose tolerance is not specified, as a share of it. */
export const usualResistanceTolerance = 0.01;

/**
 * Returns a display on a range as a reading of a place whose source resistance is not known: the range's own error subtracted,
 * with the limit that has the standard uncertainty of accuracy and resolution in quadrature.
 *
 * @param display  V or A
 * @returns null if the range cannot have this display
 */
export function rangeReading(instrument: Instrument, range: Range, display: number): RangeReading | null {
  if (stateOn(instrument, range, display) !== 'ok') return null;
  const { accuracy, resolution } = readingUncertainty(instrument, range, display);
  return {
    indicated: withoutOwnError(range.calibration, display),
    uncertainty: Math.hypot(accuracy, resolution),
    meterResistance: range.resistance,
    ...(range.resistanceTolerance !== undefined && { resistanceTolerance: range.resistanceTolerance }),
  };
}

/** True value and source resistance found from readings on several ranges. */
export interface RangeCorrection {
  /** V or A with no meter in. */
  readonly truth: number;
  /** Expanded uncertainty, k = 2. */
  readonly truthUncertainty: number;
  /** Resistance seen from the place, Ω; infinite if the readings do not differ in series. */
  readonly sourceResistance: number;
  readonly sourceUncertainty: number;
  /** Largest distance of a reading from the line, as a share of that reading. */
  readonly worst: number;
  /** The line that the readings lie on: 1/V over 1/R_m across, 1/I over R_m in series. */
  readonly line: { readonly slope: number; readonly intercept: number };
  /** Standard uncertainties that the inputs of each reading contribute to the true value, V or A, in the order of the readings. */
  readonly contributions: readonly RangeContributions[];
}

/** Standard uncertainties that one reading contributes to a true value, V or A. */
interface RangeContributions {
  /** From the limit of the reading itself. */
  readonly reading: number;
  /** From the limit of the meter's resistance. */
  readonly resistance: number;
}

/** Reason why readings on several ranges give no true value. */
export interface CorrectionFault {
  readonly code: 'too-few' | 'not-positive' | 'no-source-explains';
  readonly message: string;
}

/**
 * The true value and the source resistance from readings on ranges of different resistance, neither known before.
 *
 * 1/V_ind = 1/V_true + (R_s/V_true)·(1/R_m) across, 1/I_ind = 1/I_true + R_m/(I_true·R_s) in series: straight lines, solved
 * by two readings and fitted, each weighted by its uncertainty, by more.
 */
export function correctFromRanges(
  readings: readonly RangeReading[],
  quantity: MeterQuantity,
): Result<RangeCorrection, CorrectionFault> {
  const across = quantity === 'dc-voltage';
  if (readings.some(({ indicated }) => !(indicated > 0)))
    return fail({
      code: 'not-positive',
      message: 'Every reading must be above zero: swap the leads, or choose a range that can read it.',
    });
  const x = readings.map(({ meterResistance }) => (across ? 1 / meterResistance : meterResistance));
  const y = readings.map(({ indicated }) => 1 / indicated);
  if (new Set(x).size < 2)
    return fail({ code: 'too-few', message: 'Two readings on ranges of different resistance are needed.' });

  const rough = fitted(
    x,
    y,
    y.map(() => 1),
  );
  /** Limits of y from the reading and from the meter's resistance. */
  const limits = readings.map(
    ({ indicated, uncertainty, resistanceTolerance = usualResistanceTolerance }, i) =>
      [uncertainty / indicated ** 2, Math.abs(rough.slope) * x[i]! * resistanceTolerance] as const,
  );
  const u = limits.map(([own, resistance]) => Math.hypot(own, resistance) / Math.sqrt(3));
  const weighable = u.every((value) => value > 0);
  const line = weighable
    ? fitted(
        x,
        y,
        u.map((value) => 1 / value ** 2),
      )
    : rough;
  const { slope, intercept, spread, mean, total } = line;
  if (!(intercept > 0) || slope < -slopeNoise * Math.abs(intercept / Math.max(...x)))
    return fail({
      code: 'no-source-explains',
      message:
        'No source resistance explains these readings: look for a wrong range, a bad contact, or a value that has changed between them.',
    });
  const interceptU = weighable ? Math.sqrt(1 / total + mean ** 2 / spread) : 0;
  const slopeU = weighable ? Math.sqrt(1 / spread) : 0;
  const truth = 1 / intercept;
  /** Change of the true value for a change of y of one reading: the intercept is a weighted sum of the y. */
  const sensitivity = (i: number): number => {
    const weight = weighable ? 1 / u[i]! ** 2 : 1;
    return truth ** 2 * Math.abs(weight / total - (mean * weight * (x[i]! - mean)) / spread);
  };
  const sourceResistance = across ? slope / intercept : intercept / slope;
  // Slope and intercept are found together: their errors pull against each other by the mean of x.
  const shared = weighable ? -mean / spread : 0;
  const relative = Math.sqrt(
    Math.max(0, (slopeU / slope) ** 2 + (interceptU / intercept) ** 2 - (2 * shared) / (slope * intercept)),
  );
  return ok({
    truth,
    truthUncertainty: 2 * truth * (interceptU / intercept),
    sourceResistance,
    sourceUncertainty:
      Number.isFinite(sourceResistance) && slope !== 0 ? 2 * Math.abs(sourceResistance) * relative : Infinity,
    worst: Math.max(...readings.map(({ indicated }, i) => Math.abs((intercept + slope * x[i]!) * indicated - 1))),
    line: { slope, intercept },
    contributions: limits.map(([own, resistance], i) => ({
      reading: (sensitivity(i) * own) / Math.sqrt(3),
      resistance: (sensitivity(i) * resistance) / Math.sqrt(3),
    })),
  });
}

/** Weighted least squares about the weighted mean. */
function fitted(x: readonly number[], y: readonly number[], w: readonly number[]) {
  const total = w.reduce((a, b) => a + b, 0);
  const mean = x.reduce((sum, value, i) => sum + (w[i]! / total) * value, 0);
  const meanY = y.reduce((sum, value, i) => sum + (w[i]! / total) * value, 0);
  const spread = x.reduce((sum, value, i) => sum + w[i]! * (value - mean) ** 2, 0);
  const slope = x.reduce((sum, value, i) => sum + w[i]! * (value - mean) * (y[i]! - meanY), 0) / spread;
  return { slope, intercept: meanY - slope * mean, spread, mean, total };
}
