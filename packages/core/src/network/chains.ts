import type { Element } from './element.ts';
import { nodesOf, type Network } from './network.ts';

/** Parts that carry one current, from one end to the other. */
export interface Chain {
  readonly parts: readonly Element[];
  /** The nodes along it: one more than the parts; the first again at the end of a closed loop. */
  readonly nodes: readonly string[];
}

/** Returns the network as chains: parts joined at nodes that nothing else joins. A part with both ends on one node is in none. */
export function chainsOf(network: Network): Chain[] {
  const at = new Map<string, Element[]>(nodesOf(network).map((node) => [node, []]));
  const elements = network.elements.filter(({ from, to }) => from !== to);
  for (const element of elements) for (const node of [element.from, element.to]) at.get(node)!.push(element);
  const shorted = new Set(network.elements.flatMap(({ from, to }) => (from === to ? [from] : [])));
  const through = (node: string): boolean => at.get(node)!.length === 2 && !shorted.has(node);
  const taken = new Set<Element>();
  /** Goes on from a node through parts that are not yet taken, as long as the chain does. */
  const follow = (start: string, first: Element): Chain => {
    const parts: Element[] = [];
    const nodes = [start];
    for (let part: Element | undefined = first; part && !taken.has(part);) {
      taken.add(part);
      parts.push(part);
      const last = nodes.at(-1)!;
      const next: string = part.from === last ? part.to : part.from;
      nodes.push(next);
      part = through(next) ? at.get(next)!.find((other) => !taken.has(other)) : undefined;
    }
    return { parts, nodes };
  };
  const open = [...at].flatMap(([node, there]) =>
    through(node) ? [] : there.flatMap((part) => (taken.has(part) ? [] : [follow(node, part)])),
  );
  const closed = elements.flatMap((part) => (taken.has(part) ? [] : [follow(part.from, part)]));
  return [...open, ...closed];
}
