import {
  correctReading,
  readingDoubt,
  type Corrected,
  type Instrument,
  type Meter,
  type MeterReading,
  type Range,
} from '@usual-drag/core';
import { useMemo } from 'react';
import type { Ladder } from './ladder.ts';

/** The true value worked back from what the instrument will show, to its last digit; null where nothing leads back. */
export function useCorrected(
  ladder: Ladder | null,
  meter: Meter,
  instrument: Instrument | undefined,
  range: Range | undefined,
  reading: MeterReading | null,
): Corrected | null {
  return useMemo(() => {
    const source = ladder?.place.sourceResistance;
    if (!ladder || source == null || !instrument || !range || reading?.state !== 'ok' || reading.indicated === null)
      return null;
    const { accuracy, resolution } = readingDoubt(instrument, range, reading.indicated);
    return correctReading(
      reading.indicated,
      accuracy + resolution,
      source,
      range.resistance,
      meter.quantity,
      ladder.doubts,
    );
  }, [ladder, meter.quantity, instrument, range, reading]);
}
