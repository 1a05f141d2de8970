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

/** A network solved with no meter connected, the reference for every indication. */
export interface Unloaded {
  readonly network: Network;
  readonly named: NetworkCircuit;
  /** The same with every load as its tangent at the operating point; `named` itself if all are ohmic. */
  readonly tangent: NetworkCircuit;
  readonly solution: CircuitSolution;
  readonly values: NetworkValues;
}

/** Returns whether every part of a solved network is linear, so that a result at one operating point holds at all others. */
export const isLinear = ({ named, tangent }: Unloaded): boolean => named === tangent;

/** Solves a network with no meter connected, for its true values; returns the solver's fault if it has no solution. */
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
