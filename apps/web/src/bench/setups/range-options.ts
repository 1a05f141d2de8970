import {
  bestRangeOptions,
  measurementPointOf,
  otherMetersUncertainty,
  rangeTable,
  sourceResistanceUncertainty,
  type Uncertainties,
  type Instrument,
  type Meter,
  type MeasurementPoint,
  type RangeOption,
  type Setup,
  type Unloaded,
} from '@usual-drag/core';
import { useMemo } from 'react';

/** A measurement point, and how well it is known. */
export interface PointAnalysis {
  readonly point: MeasurementPoint;
  readonly uncertainties: Uncertainties;
}

/** Every range of some instruments at a measurement point. */
export interface RangeOptions {
  readonly options: readonly RangeOption[];
  readonly best: ReturnType<typeof bestRangeOptions>;
}

/** Where nobody says, a meter's resistance is known to one per cent. */
const usualMeterUncertainty = 0.01;

/** A meter's measurement point, followed live; null where nothing determines what is there. */
export function usePointAnalysis(
  unloaded: Unloaded | null,
  instruments: readonly Instrument[],
  setup: Setup,
  meter: Meter,
): PointAnalysis | null {
  return useMemo(() => {
    if (!unloaded) return null;
    const point = measurementPointOf(unloaded, instruments, setup, meter.id);
    if (!point.ok || point.value.ideal === null) return null;
    const meterResistance = usualMeterUncertainty;
    const sourceResistance = sourceResistanceUncertainty(unloaded.network, instruments, setup, meter.id);
    const otherMeters = otherMetersUncertainty(unloaded, instruments, setup, meter.id, meterResistance);
    return { point: point.value, uncertainties: { sourceResistance, meterResistance, otherMeters } };
  }, [unloaded, instruments, setup, meter]);
}

/** The range table of instruments at a measurement point. */
export const useRangeOptions = (
  analysis: PointAnalysis | null,
  { quantity }: Meter,
  instruments: readonly Instrument[],
): RangeOptions | null =>
  useMemo(() => {
    if (!analysis) return null;
    const options = rangeTable(analysis.point, quantity, instruments, analysis.uncertainties);
    return { options, best: bestRangeOptions(options) };
  }, [analysis, quantity, instruments]);
