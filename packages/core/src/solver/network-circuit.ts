import { nodesOf, parseEnd, referenceOf, type Network } from '../network/index.ts';
import { elementBranch, meterBranch, type Branch, type Circuit } from './circuit.ts';
import { zero } from './double-double.ts';

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

/** A circuit with the names that its numbers stand for. Branches: the elements in their order, then the attachments. */
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
  const lifted = new Map<string, number>();
  let nodes = nodeNames.length;
  const meters: Branch[] = attachments.map((attachment) => {
    const { to } = attachment;
    const far = typeof to === 'string' ? nodeNumber.get(to)! : nodes++;
    if (typeof to !== 'string')
      for (const end of to.liftedEnds) {
        const parsed = parseEnd(end);
        if (parsed) lifted.set(`${parsed.element}.${parsed.end}`, far);
      }
    const branch = meterBranch(attachment.id, nodeNumber.get(attachment.from)!, far, attachment.resistance);
    return attachment.open ? { ...branch, kind: 'open', resistance: zero } : branch;
  });
  const elements = network.elements.map((element) =>
    elementBranch(
      element,
      lifted.get(`${element.id}.from`) ?? nodeNumber.get(element.from)!,
      lifted.get(`${element.id}.to`) ?? nodeNumber.get(element.to)!,
      network.values,
    ),
  );
  const reference = nodeNumber.get(referenceOf(network)!)!;
  return { circuit: { nodes, reference, branches: [...elements, ...meters] }, nodeNames, nodeNumber };
}
