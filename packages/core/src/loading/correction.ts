import type { MeterQuantity } from '../instrument/index.ts';
import type { Uncertainties } from './range-table.ts';

/** A true value worked back from a reading, V or A, with the limit of its uncertainty. */
export interface Corrected {
  readonly value: number;
  readonly uncertainty: number;
}

/**
 * The true value behind a reading where the source resistance is known: V(1 + R_s/R_m) across, I(1 + R_m/R_s) in series.
 *
 * @param readingUncertainty  limit of the reading's own uncertainty, V or A
 * @returns null where the correction is infinite: a current reading with nothing behind it
 */
export function correctReading(
  indicated: number,
  readingUncertainty: number,
  sourceResistance: number,
  meterResistance: number,
  quantity: MeterQuantity,
  uncertainties: Uncertainties,
): Corrected | null {
  const [over, under] =
    quantity === 'dc-voltage' ? [sourceResistance, meterResistance] : [meterResistance, sourceResistance];
  if (under === 0) return over === 0 ? { value: indicated, uncertainty: readingUncertainty } : null;
  const ratio = over / under;
  const spread = uncertainties.sourceResistance + uncertainties.meterResistance;
  return {
    value: indicated * (1 + ratio),
    uncertainty: readingUncertainty * (1 + ratio) + Math.abs(indicated) * ratio * spread,
  };
}
