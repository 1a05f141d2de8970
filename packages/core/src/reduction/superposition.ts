import { type CurrentSource, type Element, type Network, type Source, isSource } from '../network/index.ts';
import { ok, type Result } from '../result.ts';
import { circuitOf, networkValues, solveCircuit, type NetworkValues, type SolverFault } from '../solver/index.ts';
import { sourcesOf } from './resistance-net.ts';

/** What one source alone does, the others at rest. */
export interface Contribution {
  readonly source: string;
  readonly values: NetworkValues;
}

/**
 * Each source's part in every voltage and current, found with the other sources at rest; the parts add up to the whole
 * because every network here is linear.
 */
export function superpose(network: Network): Result<readonly Contribution[], SolverFault> {
  const contributions: Contribution[] = [];
  for (const { id } of sourcesOf(network)) {
    const alone = { ...network, elements: network.elements.map((e) => (isSource(e) && e.id !== id ? atRest(e) : e)) };
    const named = circuitOf(alone);
    const solved = solveCircuit(named.circuit);
    if (!solved.ok) return solved;
    contributions.push({ source: id, values: networkValues(alone, named, solved.value) });
  }
  return ok(contributions);
}

const atRest = (source: Source | CurrentSource): Element =>
  source.kind === 'source' ? { ...source, emf: 0 } : { ...source, current: 0 };
