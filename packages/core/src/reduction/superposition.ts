import { type Network, isSource } from '../network/index.ts';
import { ok, type Result } from '../result.ts';
import {
  circuitOf,
  networkValues,
  solveCircuit,
  zero,
  type Branch,
  type NetworkCircuit,
  type NetworkValues,
  type SolverFault,
} from '../solver/index.ts';

/** Contribution of one source, with the others at rest. */
export interface Contribution {
  /** A source; or a load that is not ohmic, whose tangent has an EMF. */
  readonly source: string;
  readonly values: NetworkValues;
}

/**
 * Each source's part in every voltage and current, found with the other sources at rest; the parts add up to the whole
 * because the network is linear: loads that are not ohmic are taken as their tangents, the EMF of each a source of its own.
 *
 * @param tangent  the network's circuit with such loads as tangents; left out if all are ohmic
 */
export function superpose(
  network: Network,
  tangent: NetworkCircuit = circuitOf(network),
): Result<readonly Contribution[], SolverFault> {
  const { circuit } = tangent;
  const contributions: Contribution[] = [];
  for (const [index, element] of network.elements.entries()) {
    const isDriven = element.kind === 'load' && circuit.branches[index]!.emf.hi !== 0;
    if (!isSource(element) && !isDriven) continue;
    const branches = circuit.branches.map((branch, at) => (at === index ? branch : atRest(branch)));
    const alone = { ...tangent, circuit: { ...circuit, branches } };
    const solved = solveCircuit(alone.circuit);
    if (!solved.ok) return solved;
    contributions.push({ source: element.id, values: networkValues(network, alone, solved.value) });
  }
  return ok(voltageSourcesFirst(network, contributions));
}

const atRest = (branch: Branch): Branch => ({ ...branch, emf: zero, current: 0 });

/** In the order in which a network is broken down: voltage sources, current sources, tangents. */
function voltageSourcesFirst({ elements }: Network, contributions: readonly Contribution[]): Contribution[] {
  const kinds = ['source', 'current-source', 'load'];
  const place = ({ source }: Contribution): number => kinds.indexOf(elements.find(({ id }) => id === source)!.kind);
  return [...contributions].sort((a, b) => place(a) - place(b));
}
