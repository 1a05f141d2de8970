import {
  bestRangeOptions,
  measurementPointOf,
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

/** A place with every range that is looked at there. */
export interface RangeOptions {
  readonly point: MeasurementPoint;
  readonly uncertainties: Uncertainties;
  readonly options: readonly RangeOption[];
  readonly best: ReturnType<typeof bestRangeOptions>;
}

/** Where nobody says, a meter's resistance is known to one per cent. */
const usualMeterUncertainty = 0.01;

/** The range table at a meter's place, followed live; null where nothing determines what stands there. */
export function useRangeOptions(
  unloaded: Unloaded | null,
  instruments: readonly Instrument[],
  setup: Setup,
  meter: Meter,
  candidates: readonly Instrument[],
): RangeOptions | null {
  return useMemo(() => {
    if (!unloaded) return null;
    const point = measurementPointOf(unloaded, instruments, setup, meter.id);
    if (!point.ok || point.value.ideal === null) return null;
    const sourceResistance = sourceResistanceUncertainty(unloaded.network, instruments, setup, meter.id);
    const uncertainties = { sourceResistance, meterResistance: usualMeterUncertainty };
    const options = rangeTable(point.value, meter.quantity, candidates, uncertainties);
    return { point: point.value, uncertainties, options, best: bestRangeOptions(options) };
  }, [unloaded, instruments, setup, meter, candidates]);
}
