import {
  correctDisplay,
  indicatedWhen,
  type CorrectedValue,
  type Instrument,
  type MeasurementPoint,
  type MeterReading,
  type Range,
} from '@usual-drag/core';
import { useMemo } from 'react';

/** The true value behind the display that an instrument will have; null if nothing leads back to it. */
export function useCorrected(
  point: MeasurementPoint | null,
  instrument: Instrument | undefined,
  range: Range | undefined,
  reading: MeterReading | null,
): CorrectedValue | null {
  return useMemo(() => {
    if (!point || !instrument || !range) return null;
    if (reading?.state !== 'ok' || reading.indicated === null) return null;
    const display = indicatedWhen(range.calibration, reading.indicated);
    const corrected = correctDisplay(instrument, range, display, point.correctionOn);
    return corrected.ok ? corrected.value : null;
  }, [point, instrument, range, reading]);
}
