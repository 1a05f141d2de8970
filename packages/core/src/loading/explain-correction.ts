import { unitOf, type MeterQuantity } from '../instrument/index.ts';
import { formatQuantity, ohms } from '../quantity/index.ts';
import { loadingRatioOf, otherMetersFactor } from './loading-ratio.ts';
import type { PointValues } from './measurement-point.ts';

/** Difference of a factor from 1 that its five digits do not show. */
const invisible = 5e-6;

/**
 * The correction of a reading with its numbers: V(1 + R_s/R_m) across, I(1 + R_m/R_s) in series, and the factor of the other
 * meters where they change anything.
 *
 * @param indicated        V or A
 * @param meterResistance  Ω
 * @param others  names of the other meters of the set-up
 * @returns null if the source resistance is infinite or the indication does not determine the true value
 */
export function explainCorrection(
  quantity: MeterQuantity,
  indicated: number,
  point: PointValues,
  meterResistance: number,
  others: readonly string[],
): string | null {
  const factor = otherMetersFactor(point);
  const unit = unitOf(quantity);
  if (point.indicatedBy) {
    const [truth, shown] = [point.truth, point.indicatedBy(meterResistance)];
    if (truth === null || !shown) return null;
    return `${formatQuantity(indicated, unit)} × ${formatQuantity(truth, unit)} / ${formatQuantity(shown, unit)}, true over indicated, both solved for as a load is not ohmic`;
  }
  const ratio = loadingRatioOf(point.sourceResistance, meterResistance, quantity);
  if (factor === null || !ratio || ratio.under === 0) return null;
  const alone = `${formatQuantity(indicated, unit)} × (1 + ${ohms(ratio.over)} / ${ohms(ratio.under)})`;
  return Math.abs(factor - 1) < invisible ? alone : `${alone} × ${factor.toPrecision(5)} for ${others.join(' and ')}`;
}
