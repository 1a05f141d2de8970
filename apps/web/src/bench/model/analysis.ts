import {
  deviationOf,
  explainSolverFault,
  formatPercent,
  networkCautions,
  networkFaults,
  nodeSums,
  setupFaults,
  solveSetup,
  solveUnloaded,
  type Instrument,
  type Job,
  type JobFault,
  type MeterReading,
  type Network,
  type Setup,
  type SetupValues,
  type Unloaded,
} from '@usual-drag/core';
import { useMemo } from 'react';

/** A value, or what stands in its way in words. */
export type Solved<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly fault: JobFault };

/** The true values of a network, followed live. */
export function useUnloaded(network: Network): Solved<Unloaded> {
  return useMemo(() => trueValues(network), [network]);
}

/** A set-up's readings, followed live; null where there is no set-up. */
export function useSetupValues(
  unloaded: Solved<Unloaded>,
  instruments: readonly Instrument[],
  setup: Setup | undefined,
): Solved<SetupValues> | null {
  return useMemo(() => (setup ? readings(unloaded, instruments, setup) : null), [unloaded, instruments, setup]);
}

/** How the steps stand, in a few words each. */
export function useStepStatus(
  job: Job,
  unloaded: Solved<Unloaded>,
): { readonly network: string; readonly trueValues: string; readonly setups: string; readonly drags: boolean } {
  return useMemo(() => {
    const { elements } = job.network;
    const nodes = new Set(elements.flatMap((e) => [e.from, e.to])).size;
    const outside = elements.filter((e) => e.kind === 'resistor' && deviationOf(e)?.within === false).length;
    const size = `${count(elements.length, 'part')}, ${count(nodes, 'node')}`;
    const network = unloaded.ok ? size + (outside > 0 ? ` · ${outside} out of tolerance` : '') : 'cannot be solved yet';
    const setups = job.setups ?? [];
    const errors = setups
      .map((setup) => readings(unloaded, job.instruments ?? [], setup))
      .flatMap((solved) => (solved.ok ? Object.values<MeterReading>(solved.value.meters) : []))
      .map((reading) => reading.relativeError)
      .filter((error): error is number => error !== null);
    const worst = errors.reduce((most, error) => (Math.abs(error) > Math.abs(most) ? error : most), 0);
    const drags = errors.length > 0;
    const share = formatPercent(worst, { signed: true });
    return {
      network,
      trueValues: unloaded.ok ? trueWords(unloaded.value) : 'cannot be solved yet',
      setups:
        setups.length === 0
          ? 'none yet'
          : `${count(setups.length, 'set-up')}${drags && worst !== 0 ? `, worst ${share}` : ''}`,
      drags,
    };
  }, [job, unloaded]);
}

function trueWords({ network, values }: Unloaded): string {
  const cautions = networkCautions(network, values).length;
  if (cautions > 0) return count(cautions, 'caution');
  return nodeSums(network, values).every(({ left, closes }) => left === null || closes)
    ? 'sums close'
    : 'sums do not close';
}

function trueValues(network: Network): Solved<Unloaded> {
  const [fault] = networkFaults(network);
  if (fault) return { ok: false, fault };
  const solved = solveUnloaded(network);
  return solved.ok ? solved : { ok: false, fault: explainSolverFault(solved.fault) };
}

function readings(unloaded: Solved<Unloaded>, instruments: readonly Instrument[], setup: Setup): Solved<SetupValues> {
  if (!unloaded.ok) return unloaded;
  const [fault] = setupFaults(unloaded.value.network, instruments, setup);
  if (fault) return { ok: false, fault };
  const solved = solveSetup(unloaded.value, instruments, setup);
  return solved.ok ? solved : { ok: false, fault: explainSolverFault(solved.fault) };
}

const count = (n: number, what: string): string => `${n} ${what}${n === 1 ? '' : 's'}`;
