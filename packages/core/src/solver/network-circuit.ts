import { nodesOf, parseEnd, referenceOf, type Network } from '../network/index.ts';
import { meterBranch, type Branch, type Circuit } from './circuit.ts';
import { elementBranch } from './element-branch.ts';
import { zero } from './linear/double-double.ts';

/** A meter in the network: between two nodes, or in a break where it carries what flows from a node into lifted ends. */
export interface Attachment {
  readonly id: string;
  /** Ω, 0 allowed. */
  readonly resistance: number;
  readonly from: string;
  readonly to: string | { readonly liftedEnds: readonly string[] };
  /** Left out of the circuit, its break staying open. */
  readonly open?: boolean;
}

/** Circuit with the names of its numbers. Branches: the elements in their order, then the attachments. */
export interface NetworkCircuit {
  readonly circuit: Circuit;
  readonly nodeNames: readonly string[];
  readonly nodeNumber: ReadonlyMap<string, number>;
}

/**
 * The circuit of a network with meters attached.
 *
 * @param network  sound by `networkFaults`; attachments name nodes and ends that are there
 */
export function circuitOf(network: Network, attachments: readonly Attachment[] = []): NetworkCircuit {
  const nodeNames = nodesOf(network);
  const nodeNumber = new Map(nodeNames.map((name, number) => [name, number]));
  const branches = network.elements.map((element) =>
    elementBranch(element, nodeNumber.get(element.from)!, nodeNumber.get(element.to)!, network.values),
  );
  const reference = nodeNumber.get(referenceOf(network)!)!;
  const bare: NetworkCircuit = { circuit: { nodes: nodeNames.length, reference, branches }, nodeNames, nodeNumber };
  return attachments.length > 0 ? attach(bare, attachments) : bare;
}

/** A circuit without meters, with meters attached: lifted ends go to nodes of their own, behind the named ones. */
export function attach(bare: NetworkCircuit, attachments: readonly Attachment[]): NetworkCircuit {
  const { circuit, nodeNames, nodeNumber } = bare;
  const branches = [...circuit.branches];
  let nodes = circuit.nodes;
  for (const { id, from, to, resistance, open } of attachments) {
    const far = typeof to === 'string' ? nodeNumber.get(to)! : nodes++;
    if (typeof to !== 'string') for (const end of to.liftedEnds) lift(branches, end, far);
    const meter = meterBranch(id, nodeNumber.get(from)!, far, resistance);
    branches.push(open ? { ...meter, kind: 'open', resistance: zero } : meter);
  }
  return { circuit: { ...circuit, nodes, branches }, nodeNames, nodeNumber };
}

function lift(branches: Branch[], name: string, node: number): void {
  const parsed = parseEnd(name);
  const index = branches.findIndex((branch) => branch.id === parsed?.element);
  const branch = branches[index];
  if (parsed && branch) branches[index] = { ...branch, [parsed.end]: node };
}
