import type { Instrument, Range } from '@usual-drag/core/instrument';
import {
  correctMeterReading,
  type CorrectedValue,
  type MeasurementPoint,
  type MeterReading,
} from '@usual-drag/core/loading';
import { useMemo } from 'react';

/** Returns the true value behind the predicted display; null if there is none. */
export function useCorrected(
  point: MeasurementPoint | null,
  instrument: Instrument | undefined,
  range: Range | undefined,
  reading: MeterReading | null,
): CorrectedValue | null {
  return useMemo(() => {
    if (!point || !instrument || !range || !reading) return null;
    return correctMeterReading(instrument, range, reading, point.correctionOn);
  }, [point, instrument, range, reading]);
}
