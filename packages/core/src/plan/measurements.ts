import { chainsOf, isSource, referenceOf, type Chain, type Element, type Network } from '../network/index.ts';
import type { NetworkValues } from '../solver/index.ts';
import type { Depth } from './plan.ts';

/** A voltage that is wanted, between two nodes. */
export type Across = readonly [string, string];

/** A current that is wanted: if the circuit is opened for it. */
export interface InSeries {
  readonly node: string;
  /** The end that is lifted off the node. */
  readonly end: string;
  /** The parts that carry this current. */
  readonly chain: Chain;
  /** Reason why it is opened here. */
  readonly note?: string;
}

/** Quantities that a plan measures. */
export interface Measurements {
  readonly resistances: readonly string[];
  /** Sources that are to be read unloaded. */
  readonly unloaded: readonly string[];
  readonly voltages: readonly Across[];
  readonly currents: readonly InSeries[];
}

/**
 * Returns the measurements of a depth.
 *
 * @param values   the network with no meter connected
 * @param canRead  whether any range can read a chain's current
 */
export function measurementsFor(
  depth: Depth,
  network: Network,
  values: NetworkValues,
  canRead: { readonly across: (pair: Across) => boolean; readonly inSeries: (chain: Chain) => boolean },
): Measurements {
  const carrying = chainsOf(network).filter((chain) => carries(chain, values) && canRead.inSeries(chain));
  const parts = network.elements.filter(isPart);
  if (depth === 'least')
    return {
      resistances: [],
      unloaded: [],
      voltages: spanningPairs(network).filter(canRead.across),
      currents: chordsOf(
        chainsOf(network).filter((chain) => carries(chain, values)),
        canRead.inSeries,
      ).map((chain) => quietestBreak(chain, values)),
    };
  const reference = referenceOf(network)!;
  const pairs = network.elements
    .filter((one) => isPart(one) || isSource(one))
    .map(({ from, to }): Across => [from, to]);
  const potentials = Object.keys(values.nodes).map((node): Across => [node, reference]);
  return {
    resistances: network.elements.flatMap(({ id, kind }) => (kind === 'resistor' ? [id] : [])),
    unloaded: network.elements.flatMap(({ id, kind }) => (kind === 'source' ? [id] : [])),
    voltages: distinct(depth === 'checks' ? [...pairs, ...potentials] : pairs).filter(canRead.across),
    currents:
      depth === 'checks'
        ? carrying.flatMap(bothEnds)
        : carrying
            .filter((chain) => chain.parts.some((part) => parts.includes(part)))
            .map((chain) => quietestBreak(chain, values)),
  };
}

const isPart = ({ kind }: Element): boolean => kind === 'resistor' || kind === 'load';

const carries = ({ parts }: Chain, values: NetworkValues): boolean =>
  parts.every(({ id }) => Boolean(values.elements[id]?.current));

/** Every pair of nodes once, none of a node with itself. */
function distinct(pairs: readonly Across[]): Across[] {
  const seen = new Set<string>();
  return pairs.filter(([a, b]) => {
    const key = [a, b].sort().join(' ');
    if (a === b || seen.has(key)) return false;
    return Boolean(seen.add(key));
  });
}

/** Pairs along a tree of the parts: the voltages of all others follow from these. Sources first, then parts, then the rest. */
function spanningPairs(network: Network): Across[] {
  const rank = (element: Element): number => (isSource(element) ? 0 : isPart(element) ? 1 : 2);
  const edges = [...network.elements].sort((a, b) => rank(a) - rank(b));
  const tree = treeOf(edges.map(({ from, to }) => [from, to] as const));
  return edges.flatMap(({ from, to }, index): Across[] => (tree.has(index) ? [[from, to]] : []));
}

/** Chains that close a loop with a tree of the others: all other currents follow from theirs. What cannot be read is in the tree. */
function chordsOf(chains: readonly Chain[], canRead: (chain: Chain) => boolean): Chain[] {
  const weight = (chain: Chain): number => (canRead(chain) ? chain.parts.filter(isPart).length : -1);
  const edges = [...chains].sort((a, b) => weight(a) - weight(b));
  const tree = treeOf(edges.map(({ nodes }) => [nodes[0]!, nodes.at(-1)!] as const));
  return edges.filter((chain, index) => !tree.has(index) && canRead(chain));
}

/** Which edges of a graph, taken in their order, make a forest. */
function treeOf(edges: readonly (readonly [string, string])[]): ReadonlySet<number> {
  const leader = new Map<string, string>();
  const find = (node: string): string => {
    const above = leader.get(node);
    return above === undefined ? node : find(above);
  };
  const tree = new Set<number>();
  edges.forEach(([a, b], index) => {
    const [one, other] = [find(a), find(b)];
    if (one === other) return;
    leader.set(one, other);
    tree.add(index);
  });
  return tree;
}

/**
 * Where a chain is best opened. The current and what the meter sees are the same all along it: the meter stands where the
 * potential is nearest the reference, on the end of a part rather than of a source.
 */
function quietestBreak(chain: Chain, values: NetworkValues): InSeries {
  const size = (node: string): number => Math.abs(values.nodes[node] ?? Infinity);
  const breaks = chain.parts.flatMap((part, index) =>
    [chain.nodes[index]!, chain.nodes[index + 1]!].map((node) => ({ node, end: endOn(part, node), part, chain })),
  );
  const { node, end } = breaks.reduce((best, one) => {
    const [a, b] = [size(one.node), size(best.node)];
    const nearer = a < b || (a === b && isPart(one.part) && !isPart(best.part));
    return nearer ? one : best;
  });
  if (chain.parts.length < 2) return { node, end, chain };
  const note = `${carriers(chain)} one current: it reads the same wherever their chain is opened. At ${node} the meter stands nearest the reference potential.`;
  return { node, end, chain, note };
}

/** `R3 and R4 carry`. */
function carriers({ parts }: Chain): string {
  const names = parts.map(({ id }) => id);
  return `${names.slice(0, -1).join(', ')} and ${names.at(-1)} carry`;
}

/** Opened at the first node and at the last. */
function bothEnds(chain: Chain): InSeries[] {
  const { parts, nodes } = chain;
  const last = nodes.at(-1)!;
  const first = { node: nodes[0]!, end: endOn(parts[0]!, nodes[0]!), chain };
  const closed = nodes[0] === last;
  const at = closed ? nodes.at(-2)! : last;
  const note = `The same current as at ${first.node}. Equal readings show that it is the same, not that it is the true one.`;
  return [first, { node: at, end: endOn(parts.at(-1)!, at), chain, note }];
}

const endOn = ({ id, from }: Element, node: string): string => `${id}.${from === node ? 'from' : 'to'}`;
