import type { Instrument } from '@usual-drag/core/instrument';
import {
  bestRangeOptions,
  measurementPointOf,
  rangeTable,
  type Meter,
  type MeasurementPoint,
  type RangeOption,
  type Setup,
  type Unloaded,
} from '@usual-drag/core/loading';
import { useMemo } from 'react';

/** Every range of some instruments at a measurement point. */
export interface RangeOptions {
  readonly options: readonly RangeOption[];
  readonly best: ReturnType<typeof bestRangeOptions>;
}

/** Follows a meter's measurement point; null if nothing determines the indication there. */
export function useMeasurementPoint(
  unloaded: Unloaded | null,
  instruments: readonly Instrument[],
  setup: Setup,
  meter: Meter,
): MeasurementPoint | null {
  return useMemo(() => {
    if (!unloaded) return null;
    const point = measurementPointOf(unloaded, instruments, setup, meter.id);
    return point.ok && point.value.ideal !== null ? point.value : null;
  }, [unloaded, instruments, setup, meter]);
}

/** The range table of instruments at a measurement point. */
export const useRangeOptions = (
  point: MeasurementPoint | null,
  { quantity }: Meter,
  instruments: readonly Instrument[],
): RangeOptions | null =>
  useMemo(() => {
    if (!point) return null;
    const options = rangeTable(point, quantity, instruments);
    return { options, best: bestRangeOptions(options) };
  }, [point, quantity, instruments]);
