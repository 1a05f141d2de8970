import type { Network } from '../network/index.ts';
import { ok, type Result } from '../result.ts';
import {
  circuitOf,
  networkValues,
  solveCircuit,
  type CircuitSolution,
  type NetworkCircuit,
  type NetworkValues,
  type SolverFault,
} from '../solver/index.ts';

/** A network solved with no meter connected, ready to be compared with. */
export interface Unloaded {
  readonly network: Network;
  readonly named: NetworkCircuit;
  /** The same with every load as its tangent at the working point: `named` itself where all are ohmic. */
  readonly tangent: NetworkCircuit;
  readonly solution: CircuitSolution;
  readonly values: NetworkValues;
}

/** Whether every part of a solved network is a straight line, so that what holds at one working point holds throughout. */
export const isLinear = ({ named, tangent }: Unloaded): boolean => named === tangent;

/** The true values of a network: no meter connected. */
export function solveUnloaded(network: Network): Result<Unloaded, SolverFault> {
  const named = circuitOf(network);
  const solved = solveCircuit(named.circuit);
  if (!solved.ok) return solved;
  const { circuit } = solved.value;
  return ok({
    network,
    named,
    tangent: circuit === named.circuit ? named : { ...named, circuit },
    solution: solved.value,
    values: networkValues(network, named, solved.value),
  });
}
