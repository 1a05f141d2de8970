import { isSource, type Element, type Network } from '../network/index.ts';

/** Part to be wired, and the ends in place that its ends are joined to. */
export interface BuildStep {
  readonly element: Element;
  /** Loops are closed in this order, from 1. 0: the part is in none. */
  readonly loop: number;
  /** Wires from point to point: this part's end, the end in place at the same node, and the node. */
  readonly wires: readonly { readonly end: string; readonly to: string; readonly node: string }[];
}

/**
 * The order in which a network is wired: the innermost loop first, then what closes the next one round it, the sources last.
 */
export function buildOrder(network: Network): BuildStep[] {
  const placed = new Map<Element, number>();
  loopsFromInside(network).forEach((loop, index) => {
    for (const element of loop) if (!placed.has(element)) placed.set(element, index + 1);
  });
  for (const element of network.elements) if (!placed.has(element)) placed.set(element, 0);
  const order = [...placed].sort(([a], [b]) => Number(isSource(a)) - Number(isSource(b)));
  const standing = new Map<string, string>();
  return order.map(([element, loop]) => {
    const wires = (['from', 'to'] as const).flatMap((side) => {
      const node = element[side];
      const end = `${element.id}.${side}`;
      const to = standing.get(node);
      standing.set(node, end);
      return to === undefined ? [] : [{ end, to, node }];
    });
    return { element, loop, wires };
  });
}

/** The shortest loop through each part, those without a source first, the shorter first. */
function loopsFromInside(network: Network): Element[][] {
  const loops = network.elements.flatMap((element) => {
    const loop = shortestLoop(network, element);
    return loop ? [loop] : [];
  });
  const weight = (loop: readonly Element[]): number => (loop.some(isSource) ? 1e6 : 0) + loop.length;
  const seen = new Set<string>();
  return loops
    .sort((a, b) => weight(a) - weight(b))
    .filter((loop) => {
      const key = loop
        .map(({ id }) => id)
        .sort()
        .join(' ');
      return !seen.has(key) && Boolean(seen.add(key));
    });
}

/** A part and the shortest way back round from its one end to the other; null if there is none. */
function shortestLoop(network: Network, element: Element): Element[] | null {
  if (element.from === element.to) return null;
  const ways = new Map<string, Element[]>([[element.to, []]]);
  for (const [node, way] of ways) {
    if (node === element.from) return [element, ...way];
    for (const other of network.elements) {
      if (other === element) continue;
      const next = other.from === node ? other.to : other.to === node ? other.from : undefined;
      if (next !== undefined && !ways.has(next)) ways.set(next, [...way, other]);
    }
  }
  return null;
}
