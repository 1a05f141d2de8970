import {
  correctIndication,
  type Corrected,
  type Instrument,
  type Meter,
  type MeterReading,
  type Range,
} from '@usual-drag/core';
import { useMemo } from 'react';
import type { RangeOptions } from './range-options.ts';

/** The true value worked back from what the instrument will show, to its last digit; null where nothing leads back. */
export function useCorrected(
  rangeOptions: RangeOptions | null,
  { quantity }: Meter,
  instrument: Instrument | undefined,
  range: Range | undefined,
  reading: MeterReading | null,
): Corrected | null {
  return useMemo(() => {
    const source = rangeOptions?.point.sourceResistance;
    if (!rangeOptions || source == null || !instrument || !range) return null;
    if (reading?.state !== 'ok' || reading.indicated === null) return null;
    return correctIndication(instrument, range, quantity, reading.indicated, source, rangeOptions.uncertainties);
  }, [rangeOptions, quantity, instrument, range, reading]);
}
