import type { Element } from './element.ts';

/** Which resistance is computed with for a resistor that has both. */
export type ResistorValues = 'nominal' | 'measured';

/** Parts joined at nodes, and the node that potentials are given against. */
export interface Network {
  /** The node that potentials are given against. */
  readonly reference?: string;
  readonly values?: ResistorValues;
  readonly elements: readonly Element[];
}

/** Every node that an element ends on, in the order of first mention. */
export function nodesOf(network: Network): string[] {
  const nodes = new Set<string>();
  for (const { from, to } of network.elements) nodes.add(from).add(to);
  return [...nodes];
}

/** The chosen reference, else the − terminal of the first source, else the `to` node of the first element. */
export function referenceOf(network: Network): string | undefined {
  if (network.reference !== undefined) return network.reference;
  const element = network.elements.find((e) => e.kind === 'source') ?? network.elements[0];
  return element?.to;
}

/** Returns the ends at a node, `R1.from` and the like, in element order. */
export function endsAt(network: Network, node: string): string[] {
  const ends: string[] = [];
  for (const { id, from, to } of network.elements) {
    if (from === node) ends.push(`${id}.from`);
    if (to === node) ends.push(`${id}.to`);
  }
  return ends;
}
