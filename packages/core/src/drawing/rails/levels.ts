import { nodesOf, referenceOf, type Network, isSource } from '../../network/index.ts';
import type { NetworkValues } from '../../solver/index.ts';

/** Share of the range within which two potentials are one level. */
const sameLevel = 1e-9;

/** Level of every node: its potential in V, or, if nothing determines it, a place that keeps the drawing readable. */
export type Levels = ReadonlyMap<string, number>;

/**
 * Levels of all nodes. A floating part of the network has its lowest node on the reference's level; a network that cannot be
 * solved is layered by the distance from its reference.
 *
 * @param values  solved values, null if the network has no solution
 */
export function nodeLevels(network: Network, values: NetworkValues | null): Levels {
  if (!values) return distanceLevels(network);
  const levels = new Map<string, number>();
  for (const node of nodesOf(network)) {
    const potential = values.nodes[node];
    if (typeof potential === 'number') levels.set(node, potential);
  }
  for (const node of nodesOf(network)) if (!levels.has(node)) placeFloating(network, values, node, levels);
  return levels;
}

/** Nodes from the highest to the lowest; equal levels in the order in which they are met from the top, the reference last. */
export function railOrder(network: Network, levels: Levels): string[] {
  const nodes = nodesOf(network);
  const highest = nodes.reduce((best, node) => (levels.get(node)! > levels.get(best)! ? node : best), nodes[0]!);
  const met = distances(network, highest);
  const range = Math.max(...levels.values()) - Math.min(...levels.values());
  const rounded = (node: string): number => Math.round(levels.get(node)! / (range * sameLevel || 1));
  const foot = referenceOf(network);
  return [...nodes].sort(
    (a, b) =>
      rounded(b) - rounded(a) ||
      Number(a === foot) - Number(b === foot) ||
      (met.get(a) ?? 1e9) - (met.get(b) ?? 1e9) ||
      nodes.indexOf(a) - nodes.indexOf(b),
  );
}

/**
 * The order that rails had before an edit, new ones put in behind the one that they follow by level; the order by level
 * where the edit has turned too many of them round.
 */
export function steadyRails(byLevel: readonly string[], previous: readonly string[]): readonly string[] {
  const kept = previous.filter((node) => byLevel.includes(node));
  let inverted = 0;
  kept.forEach((a, i) =>
    kept.slice(i + 1).forEach((b) => {
      if (byLevel.indexOf(a) > byLevel.indexOf(b)) inverted += 1;
    }),
  );
  if (inverted > byLevel.length / 2) return byLevel;
  const order = [...kept];
  byLevel.forEach((node, index) => {
    if (order.includes(node)) return;
    order.splice(index === 0 ? 0 : order.indexOf(byLevel[index - 1]!) + 1, 0, node);
  });
  return order;
}

function placeFloating(network: Network, values: NetworkValues, first: string, levels: Map<string, number>): void {
  const local = new Map([[first, 0]]);
  for (let grown = true; grown;) {
    grown = false;
    for (const { id, from, to } of network.elements) {
      const voltage = values.elements[id]?.voltage;
      if (typeof voltage !== 'number' || local.has(from) === local.has(to)) continue;
      if (local.has(from)) local.set(to, local.get(from)! - voltage);
      else local.set(from, local.get(to)! + voltage);
      grown = true;
    }
  }
  const lowest = Math.min(...local.values());
  const foot = Math.min(0, ...levels.values());
  for (const [node, level] of local) levels.set(node, level - lowest + foot);
}

function distanceLevels(network: Network): Levels {
  const reference = referenceOf(network) ?? '';
  const away = distances(network, reference);
  const source = network.elements.find(isSource);
  const near = distances(network, source?.from ?? reference);
  return new Map(
    nodesOf(network).map((node) => {
      const down = away.get(node) ?? 1;
      const up = near.get(node) ?? 1;
      return [node, down + up === 0 ? 0 : down / (down + up)];
    }),
  );
}

function distances(network: Network, start: string): Map<string, number> {
  const found = new Map([[start, 0]]);
  const queue = [start];
  for (const node of queue)
    for (const { from, to } of network.elements) {
      const other = from === node ? to : to === node ? from : undefined;
      if (other === undefined || found.has(other)) continue;
      found.set(other, found.get(node)! + 1);
      queue.push(other);
    }
  return found;
}
