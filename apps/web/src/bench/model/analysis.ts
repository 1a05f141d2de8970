import {
  formatPercent,
  jobStatus,
  setupValuesOf,
  trueValuesOf,
  type Instrument,
  type Job,
  type JobFault,
  type JobStatus,
  type Network,
  type Result,
  type Setup,
  type SetupValues,
  type Unloaded,
} from '@usual-drag/core';
import { useMemo } from 'react';
import { count } from '../../ui/words.ts';

/** A value, or what stands in its way in words. */
export type Solved<T> = Result<T, JobFault>;

/** The true values of a network, followed live. */
export const useUnloaded = (network: Network): Solved<Unloaded> => useMemo(() => trueValuesOf(network), [network]);

/** A set-up's readings, followed live; null where there is no set-up. */
export function useSetupValues(
  unloaded: Solved<Unloaded>,
  instruments: readonly Instrument[],
  setup: Setup | undefined,
): Solved<SetupValues> | null {
  return useMemo(() => (setup ? setupValuesOf(unloaded, instruments, setup) : null), [unloaded, instruments, setup]);
}

/** How the steps stand, in a few words each. */
export interface StepStatus {
  readonly network: string;
  readonly trueValues: string;
  readonly setups: string;
  /** Some meter has an error that can be told. */
  readonly isLoaded: boolean;
}

export const useStepStatus = (job: Job, unloaded: Solved<Unloaded>): StepStatus =>
  useMemo(() => inWords(jobStatus(job, unloaded)), [job, unloaded]);

function inWords({
  parts,
  nodes,
  outOfTolerance,
  solved,
  cautions,
  sumsClose,
  setups,
  worstError,
}: JobStatus): StepStatus {
  const size = `${count(parts, 'part')}, ${count(nodes, 'node')}`;
  const outside = outOfTolerance > 0 ? ` · ${outOfTolerance} out of tolerance` : '';
  const worst = worstError ? `, worst ${formatPercent(worstError, { signed: true })}` : '';
  const sums = sumsClose ? 'sums close' : 'sums do not close';
  return {
    network: solved ? size + outside : 'cannot be solved yet',
    trueValues: !solved ? 'cannot be solved yet' : cautions > 0 ? count(cautions, 'caution') : sums,
    setups: setups === 0 ? 'none yet' : count(setups, 'set-up') + worst,
    isLoaded: worstError !== null,
  };
}
