import {
  correctIndication,
  indicatedWhen,
  type Corrected,
  type Instrument,
  type Meter,
  type MeterReading,
  type Range,
} from '@usual-drag/core';
import { useMemo } from 'react';
import type { PointAnalysis } from './range-options.ts';

/** The true value worked back from what the instrument will indicate; null where nothing leads back. */
export function useCorrected(
  analysis: PointAnalysis | null,
  { quantity }: Meter,
  instrument: Instrument | undefined,
  range: Range | undefined,
  reading: MeterReading | null,
): Corrected | null {
  return useMemo(() => {
    if (!analysis || !instrument || !range) return null;
    if (reading?.state !== 'ok' || reading.indicated === null) return null;
    const shown = indicatedWhen(range.calibration, reading.indicated);
    return correctIndication(instrument, range, quantity, shown, analysis.point, analysis.uncertainties);
  }, [analysis, quantity, instrument, range, reading]);
}
