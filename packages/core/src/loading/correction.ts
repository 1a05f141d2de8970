import { readingUncertainty, type Instrument, type MeterQuantity, type Range } from '../instrument/index.ts';
import type { Uncertainties } from './range-table.ts';

/** A true value worked back from a reading, V or A, with the limit of its uncertainty. */
export interface Corrected {
  readonly value: number;
  readonly uncertainty: number;
}

/**
 * The true value behind what an instrument shows on a range, with the uncertainty of reading it.
 *
 * @param indicated  V or A as shown
 * @returns null as `correctReading`
 */
export function correctIndication(
  instrument: Instrument,
  range: Range,
  quantity: MeterQuantity,
  indicated: number,
  sourceResistance: number,
  uncertainties: Uncertainties,
): Corrected | null {
  const { accuracy, resolution } = readingUncertainty(instrument, range, indicated);
  return correctReading(indicated, accuracy + resolution, sourceResistance, range.resistance, quantity, uncertainties);
}

/**
 * The true value behind a reading where the source resistance is known: V(1 + R_s/R_m) across, I(1 + R_m/R_s) in series.
 *
 * @param own  limit of the reading's own uncertainty, V or A
 * @returns null where the correction is infinite: a current reading with nothing behind it
 */
export function correctReading(
  indicated: number,
  own: number,
  sourceResistance: number,
  meterResistance: number,
  quantity: MeterQuantity,
  uncertainties: Uncertainties,
): Corrected | null {
  const [over, under] =
    quantity === 'dc-voltage' ? [sourceResistance, meterResistance] : [meterResistance, sourceResistance];
  if (under === 0) return over === 0 ? { value: indicated, uncertainty: own } : null;
  const ratio = over / under;
  const spread = uncertainties.sourceResistance + uncertainties.meterResistance;
  return {
    value: indicated * (1 + ratio),
    uncertainty: own * (1 + ratio) + Math.abs(indicated) * ratio * spread,
  };
}
