import {
  bestRungs,
  placeOf,
  rangeLadder,
  sourceResistanceDoubt,
  type Doubts,
  type Instrument,
  type Meter,
  type Place,
  type Rung,
  type Setup,
  type Unloaded,
} from '@usual-drag/core';
import { useMemo } from 'react';

/** A place with every range that is looked at there. */
export interface Ladder {
  readonly place: Place;
  readonly doubts: Doubts;
  readonly rungs: readonly Rung[];
  readonly best: ReturnType<typeof bestRungs>;
}

/** Where nobody says, a meter's resistance is known to one per cent. */
const usualMeterDoubt = 0.01;

/** The range ladder at a meter's place, followed live; null where nothing determines what stands there. */
export function useLadder(
  unloaded: Unloaded | null,
  instruments: readonly Instrument[],
  setup: Setup,
  meter: Meter,
  candidates: readonly Instrument[],
): Ladder | null {
  return useMemo(() => {
    if (!unloaded) return null;
    const place = placeOf(unloaded, instruments, setup, meter.id);
    if (!place.ok || place.value.ideal === null) return null;
    const sourceResistance = sourceResistanceDoubt(unloaded.network, instruments, setup, meter.id);
    const doubts = { sourceResistance, meterResistance: usualMeterDoubt };
    const rungs = rangeLadder(place.value, meter.quantity, candidates, doubts);
    return { place: place.value, doubts, rungs, best: bestRungs(rungs) };
  }, [unloaded, instruments, setup, meter, candidates]);
}
