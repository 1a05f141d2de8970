import { networkKind } from '../by-kind.ts';
import { freeNodeName } from './edits.ts';
import type { Element } from '../element.ts';
import { nodesOf, type Network } from '../network.ts';

/**
 * Adds copies of elements: across the nodes that they were copied from, with names of their own.
 *
 * A node that only the copied elements met on is copied too, so that a chain comes out beside the original rather than
 * joined to its middle.
 *
 * @param copied  elements of this network or of another
 * @param whole   the network they were copied from
 */
export function pasteElements(network: Network, copied: readonly Element[], whole: Network = network): Network {
  const taken = new Set(network.elements.map(({ id }) => id));
  const nodes = new Set(nodesOf(network));
  const ids = new Set(copied.map(({ id }) => id));
  const outside = new Set(whole.elements.filter(({ id }) => !ids.has(id)).flatMap(({ from, to }) => [from, to]));
  const renamed = new Map<string, string>();
  const nodeOf = (node: string): string => {
    const known = renamed.get(node);
    if (known !== undefined) return known;
    const inner = !outside.has(node) && copied.filter(({ from, to }) => from === node || to === node).length > 1;
    const name = inner && nodes.has(node) ? freeNodeName(nodes) : node;
    nodes.add(name);
    renamed.set(node, name);
    return name;
  };
  const added = copied.map((element): Element => {
    const id = taken.has(element.id) ? freeId(element, taken) : element.id;
    taken.add(id);
    return { ...element, id, from: nodeOf(element.from), to: nodeOf(element.to) };
  });
  return { ...network, elements: [...network.elements, ...added] };
}

/** The name with the next free number behind its letters. */
function freeId({ id, kind }: Element, taken: ReadonlySet<string>): string {
  const stem = /^(.*?)\d*$/.exec(id)![1]!.slice(0, 28) || networkKind(kind).letter;
  let number = 1;
  while (taken.has(`${stem}${number}`)) number += 1;
  return `${stem}${number}`;
}
