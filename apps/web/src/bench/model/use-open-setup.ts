import { findRange } from '@usual-drag/core/instrument';
import type { Meter, Setup } from '@usual-drag/core/loading';
import { useMemo, useState } from 'react';
import { useSetupValues } from './analysis.ts';
import type { BenchCircuit } from './use-bench-circuit.ts';
import type { BenchRoute } from './use-bench-route.ts';
import { useWrongConnection } from './use-wrong-connection.ts';

/** Solves the open set-up, and returns the meter that is chosen in it. */
export function useOpenSetup({ setupId, inSetups }: BenchRoute, circuit: BenchCircuit) {
  const { job, own, instruments, sound, unloaded, tried } = circuit;
  const [chosenMeter, chooseMeter] = useState<string | null>(null);
  /** A meter while its lead is dragged. */
  const [held, hold] = useState<Meter | null>(null);
  const setup = job.setups?.find(({ id }) => id === setupId) ?? job.setups?.[0];
  const soundValues = useSetupValues(sound, own, tried && inSetups ? setup : undefined);
  const shown = useMemo(() => withHeld(setup, held), [setup, held]);
  const values = useSetupValues(unloaded, instruments, inSetups ? shown : undefined);
  const trial = useWrongConnection(unloaded, instruments, shown, values);
  const miswired = trial.outcome?.ok ? trial.outcome.value : null;
  const chosen = setup?.meters.find(({ id }) => id === chosenMeter)?.id ?? setup?.meters[0]?.id ?? null;
  const meter = shown?.meters.find(({ id }) => id === chosen);
  const instrument = instruments.find(({ id }) => id === meter?.instrument);
  return {
    /** The set-up as it is stored, and as it is shown while a lead is dragged. */
    setup,
    shown,
    values,
    /** The set-up's values without the fault that is tried; null if none is tried. */
    soundValues: soundValues?.ok ? soundValues.value : null,
    trial,
    miswired,
    loaded: miswired?.values ?? (values?.ok ? values.value : null),
    chosen,
    chooseMeter,
    hold,
    meter,
    instrument,
    range: meter && instrument && findRange(instrument, meter.quantity, meter.range),
  };
}

export type OpenSetup = ReturnType<typeof useOpenSetup>;

const withHeld = (setup: Setup | undefined, held: Meter | null): Setup | undefined =>
  setup && held ? { ...setup, meters: setup.meters.map((meter) => (meter.id === held.id ? held : meter)) } : setup;
