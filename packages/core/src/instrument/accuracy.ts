import { certificateLimit } from './certificate.ts';
import type { Instrument, Range, ResistanceRange } from './instrument.ts';

/** Limits of a reading's uncertainty that are due to the instrument alone, V, A or Ω. */
export interface ReadingUncertainty {
  /** Digital: a share of the reading and some counts. Analogue: its class, a share of full scale. With a certificate: its own. */
  readonly accuracy: number;
  /** Half of the smallest step that can be read: the last digit, or a fifth of a division. */
  readonly resolution: number;
}

/**
 * Returns the limits of a reading's uncertainty on a range. A property that the range does not specify counts as 0; the limit of
 * a certificate holds for a reading from which the range's own error has been subtracted.
 *
 * @param rate  id of the instrument's rate that is read at; adds its counts to the accuracy limit
 */
export function readingUncertainty(
  instrument: Instrument,
  range: Range | ResistanceRange,
  indicated: number,
  rate?: string,
): ReadingUncertainty {
  return {
    accuracy: range.calibration
      ? certificateLimit(range.calibration)
      : accuracyLimit(instrument, range, indicated, rate),
    resolution: statedStep(instrument, range) / 2,
  };
}

function accuracyLimit(
  { display, rates }: Instrument,
  {
    accuracyOfReading = 0,
    accuracyCounts = 0,
    accuracyOfRange = 0,
    resolution = 0,
    fullScale,
  }: Range | ResistanceRange,
  indicated: number,
  rate: string | undefined,
): number {
  const counts = rates?.find(({ id }) => id === rate)?.counts ?? 0;
  return display === 'analogue'
    ? accuracyOfRange * fullScale + counts * resolution
    : accuracyOfReading * Math.abs(indicated) + (accuracyCounts + counts) * resolution;
}

/** The smallest step that the range specifies; 0 if it specifies none. */
function statedStep(
  { display }: Instrument,
  { resolution = 0, divisions, fullScale }: Range | ResistanceRange,
): number {
  if (display !== 'analogue') return resolution;
  return divisions === undefined ? 0 : fullScale / divisions / 5;
}

/**
 * Returns U, k = 2, of a single reading: accuracy and resolution as rectangular limits, each with the standard uncertainty
 * a/√3, combined in quadrature. V, A or Ω.
 */
export function instrumentUncertainty(...of: Parameters<typeof readingUncertainty>): number {
  const { accuracy, resolution } = readingUncertainty(...of);
  return 2 * Math.sqrt((accuracy ** 2 + resolution ** 2) / 3);
}
