import type { MeterQuantity } from '../instrument/index.ts';
import type { Doubts } from './range-ladder.ts';

/** A true value worked back from a reading, V or A, with the limit of its doubt. */
export interface Corrected {
  readonly value: number;
  readonly doubt: number;
}

/**
 * The true value behind a reading where the source resistance is known: V(1 + R_s/R_m) across, I(1 + R_m/R_s) in series.
 *
 * @param readingDoubt  limit of the reading's own doubt, V or A
 * @returns null where the correction is infinite: a current reading with nothing behind it
 */
export function correctReading(
  indicated: number,
  readingDoubt: number,
  sourceResistance: number,
  meterResistance: number,
  quantity: MeterQuantity,
  doubts: Doubts,
): Corrected | null {
  const [over, under] =
    quantity === 'dc-voltage' ? [sourceResistance, meterResistance] : [meterResistance, sourceResistance];
  if (under === 0) return over === 0 ? { value: indicated, doubt: readingDoubt } : null;
  const ratio = over / under;
  const spread = doubts.sourceResistance + doubts.meterResistance;
  return {
    value: indicated * (1 + ratio),
    doubt: readingDoubt * (1 + ratio) + Math.abs(indicated) * ratio * spread,
  };
}
