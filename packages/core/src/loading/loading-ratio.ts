import type { MeterQuantity } from '../instrument/index.ts';
import type { CorrectionOn } from './correction-factor.ts';
import type { PointValues } from './measurement-point.ts';

/**
 * Returns the loading ratio, R_s/R_m across and R_m/R_s in series, as its two resistances, Ω.
 *
 * @param sourceResistance  Ω; null if it is infinite
 * @returns null if the source resistance is infinite
 */
export function loadingRatioOf(
  sourceResistance: number | null,
  meterResistance: number,
  quantity: MeterQuantity,
): { readonly over: number; readonly under: number } | null {
  if (sourceResistance === null) return null;
  return quantity === 'dc-voltage'
    ? { over: sourceResistance, under: meterResistance }
    : { over: meterResistance, under: sourceResistance };
}

/** Returns the true value over the indication of an ideal meter beside the set-up's other meters; null if either is unknown, or the latter 0. */
export function otherMetersFactor({ ideal, truth }: PointValues): number | null {
  if (truth === ideal) return 1;
  return truth === null || ideal === null || ideal === 0 ? null : truth / ideal;
}

/**
 * Returns the correction of a meter at a source whose resistance is known only within a tolerance: 1 + R_s/R_m across,
 * 1 + R_m/R_s in series.
 *
 * @param sourceResistance  Ω
 * @param tolerance         limit of the source resistance, as a ratio
 */
export const correctionFromSource =
  (quantity: MeterQuantity, sourceResistance: number, tolerance: number): CorrectionOn =>
  ({ resistance, resistanceTolerance = 0 }) => {
    const ratio = loadingRatioOf(sourceResistance, resistance, quantity);
    if (!ratio || ratio.under === 0) return null;
    const share = ratio.over / ratio.under;
    const contribution = (of: string, ohms: number, limit: number) => ({
      of,
      standard: (ohms * limit) / Math.sqrt(3),
      contribution: (share * limit) / Math.sqrt(3),
    });
    return {
      factor: 1 + share,
      contributions: [
        contribution('source', sourceResistance, tolerance),
        contribution('meter', resistance, resistanceTolerance),
      ],
    };
  };
