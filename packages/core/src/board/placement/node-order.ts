import type { Network } from '../../network/index.ts';

/**
 * Returns nodes in an order in which parts join near ones: the order in which they are reached from the first, improved by moving
 * single nodes as long as the parts become shorter.
 */
export function nodeOrder({ elements }: Network, nodes: readonly string[]): string[] {
  const known = new Set(nodes);
  const pairs = elements
    .filter(({ from, to }) => from !== to && known.has(from) && known.has(to))
    .map(({ from, to }) => [from, to] as const);
  const order = reached(nodes, pairs);
  const length = (of: readonly string[]): number => {
    const at = new Map(of.map((node, index) => [node, index]));
    return pairs.reduce((sum, [a, b]) => sum + Math.abs(at.get(a)! - at.get(b)!), 0);
  };
  for (let least = length(order), isShorter = true; isShorter;) {
    isShorter = false;
    for (const node of nodes) {
      const rest = order.filter((one) => one !== node);
      for (let place = 0; place <= rest.length; place += 1) {
        const next = rest.toSpliced(place, 0, node);
        const now = length(next);
        if (now >= least) continue;
        least = now;
        isShorter = true;
        order.splice(0, order.length, ...next);
      }
    }
  }
  return order;
}

/** Returns the nodes breadth first, each piece of the network after the other. */
function reached(nodes: readonly string[], pairs: readonly (readonly [string, string])[]): string[] {
  const found = new Set<string>();
  for (const start of nodes) {
    const piece = new Set([start]);
    for (const node of piece)
      for (const [a, b] of pairs) {
        if (a === node) piece.add(b);
        if (b === node) piece.add(a);
      }
    for (const node of piece) found.add(node);
  }
  return [...found];
}
