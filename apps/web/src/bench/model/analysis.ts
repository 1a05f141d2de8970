import type { Result } from '@usual-drag/core/result';
import type { Network } from '@usual-drag/core/network';
import type { Instrument } from '@usual-drag/core/instrument';
import type { Setup, SetupValues, Unloaded } from '@usual-drag/core/loading';
import { setupValuesOf, trueValuesOf, type JobFault } from '@usual-drag/core/job';
import { useMemo } from 'react';

/** Value, or the reason in words why there is none. */
export type Solved<T> = Result<T, JobFault>;

/** The true values of a network, followed live; null if there is none. */
export function useUnloaded(network: Network): Solved<Unloaded>;
export function useUnloaded(network: Network | null): Solved<Unloaded> | null;
export function useUnloaded(network: Network | null): Solved<Unloaded> | null {
  return useMemo(() => network && trueValuesOf(network), [network]);
}

/** A set-up's readings, followed live; null if there is no set-up. */
export function useSetupValues(
  unloaded: Solved<Unloaded>,
  instruments: readonly Instrument[],
  setup: Setup | undefined,
): Solved<SetupValues> | null {
  return useMemo(() => (setup ? setupValuesOf(unloaded, instruments, setup) : null), [unloaded, instruments, setup]);
}
