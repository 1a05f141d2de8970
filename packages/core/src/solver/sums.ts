import { nodesOf, type Element, type Network } from '../network/index.ts';
import { sumOf } from '../quantity/index.ts';
import type { NetworkValues } from './network-values.ts';

/** Share of a sum's size within which it closes, with values rounded to doubles. */
const closing = 1e-9;

/** Kirchhoff's current law at a node: what runs in against what runs out. */
export interface NodeSum {
  readonly node: string;
  readonly into: readonly { readonly element: string; readonly current: number }[];
  readonly out: readonly { readonly element: string; readonly current: number }[];
  /** A in − out; null if the share of a wire is not determined. */
  readonly left: number | null;
  readonly closes: boolean;
}

/** Kirchhoff's voltage law round a loop. */
export interface LoopSum {
  /** The nodes on the way, the first again at the end. */
  readonly nodes: readonly string[];
  /** V that each element drops on the way. */
  readonly drops: readonly { readonly element: string; readonly voltage: number }[];
  /** V; null if a voltage is not determined. */
  readonly left: number | null;
  readonly closes: boolean;
}

/** A from → to through an element; the values give it out of `from` for sources. */
const through = (element: Element, values: NetworkValues): number | null => {
  const current = values.elements[element.id]?.current ?? null;
  return current !== null && (element.kind === 'source' || element.kind === 'current-source') ? 0 - current : current;
};

/** The sum of currents at every node. */
export function nodeSums(network: Network, values: NetworkValues): NodeSum[] {
  return nodesOf(network).map((node) => {
    const leaving: { element: string; current: number }[] = [];
    let determined = true;
    for (const element of network.elements) {
      if (element.from === element.to) continue;
      const current = through(element, values);
      if (element.from !== node && element.to !== node) continue;
      if (current === null) determined = false;
      else leaving.push({ element: element.id, current: element.from === node ? current : 0 - current });
    }
    const into = leaving
      .filter(({ current }) => current < 0)
      .map(({ element, current }) => ({ element, current: -current }));
    const out = leaving.filter(({ current }) => current > 0);
    const left = determined
      ? sumOf([...into.map(({ current }) => current), ...out.map(({ current }) => -current)])
      : null;
    return {
      node,
      into,
      out,
      left,
      closes: left !== null && Math.abs(left) <= closing * Math.max(total(into), total(out)),
    };
  });
}

const total = (flows: readonly { readonly current: number }[]): number =>
  flows.reduce((sum, { current }) => sum + current, 0);

/** As many loops as are independent, each by the shortest ways from the reference's side. */
export function loopSums(network: Network, values: NetworkValues): LoopSum[] {
  const parent = new Map<string, { readonly element: Element; readonly node: string } | null>();
  const tree = new Set<Element>();
  for (const start of nodesOf(network)) {
    if (parent.has(start)) continue;
    parent.set(start, null);
    const queue = [start];
    for (const node of queue)
      for (const element of network.elements) {
        const other = element.from === node ? element.to : element.to === node ? element.from : undefined;
        if (other === undefined || parent.has(other)) continue;
        parent.set(other, { element, node });
        tree.add(element);
        queue.push(other);
      }
  }
  return network.elements
    .filter((element) => !tree.has(element) && element.from !== element.to)
    .map((element) => loopOf(element, wayBetween(element.to, element.from, parent), values));
}

interface Stretch {
  readonly element: Element;
  readonly from: string;
  readonly to: string;
}

function wayBetween(
  start: string,
  end: string,
  parent: ReadonlyMap<string, { readonly element: Element; readonly node: string } | null>,
): Stretch[] {
  const climb = (node: string): Stretch[] => {
    const above = parent.get(node);
    return above ? [{ element: above.element, from: node, to: above.node }, ...climb(above.node)] : [];
  };
  const up = climb(start);
  const down = climb(end);
  while (up.length > 0 && down.length > 0 && up.at(-1)!.element === down.at(-1)!.element) {
    up.pop();
    down.pop();
  }
  return [...up, ...down.reverse().map(({ element, from, to }) => ({ element, from: to, to: from }))];
}

function loopOf(first: Element, way: readonly Stretch[], values: NetworkValues): LoopSum {
  const stretches = [{ element: first, from: first.from, to: first.to }, ...way];
  const known: number[] = [];
  let size = 0;
  const drops = stretches.map(({ element, from }) => {
    const voltage = values.elements[element.id]?.voltage ?? null;
    const drop = voltage === null ? null : element.from === from ? voltage : 0 - voltage;
    if (drop !== null) known.push(drop);
    size = Math.max(size, Math.abs(drop ?? 0));
    return { element: element.id, voltage: drop ?? NaN };
  });
  const left = known.length < drops.length ? null : sumOf(known);
  return {
    nodes: [...stretches.map(({ from }) => from), first.from],
    drops,
    left,
    closes: left !== null && Math.abs(left) <= closing * size,
  };
}
