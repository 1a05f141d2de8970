import { certificateLimit } from './certificate.ts';
import { smallestStep } from './display.ts';
import type { Instrument, Range, ResistanceRange } from './instrument.ts';

/** What a reading may be off by for the instrument's sake alone, as limits, V, A or Ω. */
export interface ReadingUncertainty {
  /** Digital: a share of the reading and some counts. Analogue: its class, a share of full scale. With a certificate: its own. */
  readonly accuracy: number;
  /** Half of the smallest step that can be read: the last digit, or a fifth of a division. */
  readonly resolution: number;
}

/**
 * The limits of a reading's uncertainty on a range. What the range does not say of itself counts as nothing; a certificate's limit
 * holds for a reading that its own error has been taken off.
 */
export function readingUncertainty(
  instrument: Instrument,
  range: Range | ResistanceRange,
  indicated: number,
): ReadingUncertainty {
  const step = smallestStep(instrument, range);
  const accuracy = range.calibration
    ? certificateLimit(range.calibration)
    : instrument.display === 'analogue'
      ? (range.accuracyOfRange ?? 0) * range.fullScale
      : (range.accuracyOfReading ?? 0) * Math.abs(indicated) + (range.accuracyCounts ?? 0) * step;
  return { accuracy, resolution: step / 2 };
}
