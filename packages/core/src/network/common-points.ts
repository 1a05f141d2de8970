import type { Network } from './network.ts';
import { nodesOf } from './network.ts';

/** Nodes that links and closed switches make one point, in groups; every node is in one. */
export function commonPoints(network: Network): string[][] {
  const groups: string[][] = [];
  for (const node of nodesOf(network)) {
    if (groups.some((group) => group.includes(node))) continue;
    groups.push([...reach(network, node).keys()]);
  }
  return groups;
}

/**
 * The links and closed switches that make two nodes one point, in order from one to the other.
 *
 * @returns their ids, none if it is one node, or null if the two are different points
 */
export const wiresBetween = (network: Network, from: string, to: string): readonly string[] | null =>
  reach(network, from).get(to) ?? null;

/** Returns why two nodes are one point, or null if they are not: anything between them would have no voltage. */
export function samePoint(network: Network, a: string, b: string): string | null {
  if (a === b) return `Both ends on ${a}: that is one point: no voltage across it, no current.`;
  const wires = wiresBetween(network, a, b);
  if (wires === null) return null;
  const list = wires.length === 1 ? wires[0] : `${wires.slice(0, -1).join(', ')} and ${wires.at(-1)}`;
  return `${a} and ${b} are the same point: ${list} ${wires.length === 1 ? 'joins' : 'join'} them, so there is no voltage across.`;
}

/** Every node that wires lead to, with the wires on the way. */
function reach(network: Network, start: string): Map<string, readonly string[]> {
  const found = new Map<string, readonly string[]>([[start, []]]);
  const wires = network.elements.filter((e) => e.kind === 'link' || (e.kind === 'switch' && e.closed));
  for (const [node, way] of found)
    for (const { id, from, to } of wires) {
      const other = from === node ? to : to === node ? from : undefined;
      if (other !== undefined && !found.has(other)) found.set(other, [...way, id]);
    }
  return found;
}
