import type { Instrument } from '../instrument/index.ts';
import {
  setupFaults,
  solveSetup,
  solveUnloaded,
  swapLeads,
  type Meter,
  type Setup,
  type SetupValues,
  type Unloaded,
} from '../loading/index.ts';
import { networkFaults, type Network } from '../network/index.ts';
import { fail, type Result } from '../result.ts';
import type { JobFault } from './job.ts';
import { explainSolverFault } from './solver-words.ts';

/** Returns the true values of a network, or the reason in words why there are none. */
export function trueValuesOf(network: Network): Result<Unloaded, JobFault> {
  const [fault] = networkFaults(network);
  if (fault) return fail(fault);
  const solved = solveUnloaded(network);
  return solved.ok ? solved : fail(explainSolverFault(solved.fault));
}

/** A meter so that it reads positive beside the others of a set-up: its leads swapped where they have to be. */
export function placedPositive(
  unloaded: Result<Unloaded, JobFault>,
  instruments: readonly Instrument[],
  setup: Setup,
  meter: Meter,
): Meter {
  const tried = setupValuesOf(unloaded, instruments, { ...setup, meters: [...setup.meters, meter] });
  return tried.ok && (tried.value.meters[meter.id]?.indicated ?? 0) < 0 ? swapLeads(meter) : meter;
}

/** Returns a set-up's readings, or the reason in words why there are none. */
export function setupValuesOf(
  unloaded: Result<Unloaded, JobFault>,
  instruments: readonly Instrument[],
  setup: Setup,
): Result<SetupValues, JobFault> {
  if (!unloaded.ok) return unloaded;
  const [fault] = setupFaults(unloaded.value.network, instruments, setup);
  if (fault) return fail(fault);
  const solved = solveSetup(unloaded.value, instruments, setup);
  return solved.ok ? solved : fail(explainSolverFault(solved.fault));
}
