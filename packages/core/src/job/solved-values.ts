import type { Instrument } from '../instrument/index.ts';
import {
  setupFaults,
  solveSetup,
  solveUnloaded,
  type Setup,
  type SetupValues,
  type Unloaded,
} from '../loading/index.ts';
import { networkFaults, type Network } from '../network/index.ts';
import { fail, type Result } from '../result.ts';
import type { JobFault } from './job.ts';
import { explainSolverFault } from './solver-words.ts';

/** The true values of a network, or in words what stands in their way. */
export function trueValuesOf(network: Network): Result<Unloaded, JobFault> {
  const [fault] = networkFaults(network);
  if (fault) return fail(fault);
  const solved = solveUnloaded(network);
  return solved.ok ? solved : fail(explainSolverFault(solved.fault));
}

/** A set-up's readings, or in words what stands in their way. */
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
