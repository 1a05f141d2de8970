import { nodesOf, type Element, type Network } from '../network/index.ts';
import type { Board } from './board.ts';
import { stripOf, type Strip } from './holes.ts';
import { netsOf, type Nets } from './nets.ts';

/** End of a part, the node that it has in the drawing, and the strips that it is in on the board. */
export interface BoardPin {
  /** End in the network, `R3.to`. */
  readonly end: string;
  readonly part: string;
  /** Leg on the board. It differs from the end if a part that may be plugged in either way is plugged in the other way. */
  readonly leg: Leg;
  readonly node: string;
  /** Hole of the leg; null if it is in none. */
  readonly hole: string | null;
  /** Name of its group of strips. A leg in no hole is a group of its own. */
  readonly net: Strip;
}

/** Leg of a part on the board. */
export type Leg = 'from' | 'to';

/** Nodes of a network and the groups of strips that carry them. */
export interface NodeMatch {
  readonly nets: Nets;
  /** Group of strips that carries a node; a node whose ends are all in groups of other nodes has none. */
  readonly netOf: ReadonlyMap<string, Strip>;
  readonly nodeOf: ReadonlyMap<Strip, string>;
  /** Ends of every part, whether it is on the board or not. */
  readonly pins: readonly BoardPin[];
}

/** Returns whether a part is the same either way round. */
const isSymmetric = (element: Element): boolean =>
  element.kind === 'resistor' ||
  element.kind === 'switch' ||
  element.kind === 'link' ||
  (element.kind === 'load' && !element.polarised);

const looseNet = (part: string, leg: Leg): Strip => `loose ${part}.${leg}`;
/** Returns whether a group is a leg in no hole. */
export const isLoose = (net: Strip): boolean => net.startsWith('loose ');

/**
 * Matches the nodes of a network with groups of joined strips: pairs in the order of the share of ends that both have. If board
 * and drawing are the same circuit, all of a node's ends are in its group and the match is exact, because a node that has the
 * same ends as another one's group is connected to it by parts that may be plugged in either way.
 */
export function matchNodes(network: Network, board: Board): NodeMatch {
  const nets = netsOf(board);
  const placed = new Map(board.parts.map((part) => [part.id, part]));
  const plugged = network.elements.map((element) => {
    const part = placed.get(element.id);
    const netAt = (leg: Leg): Strip => {
      const hole = part?.[leg];
      return hole === undefined ? looseNet(element.id, leg) : nets.of(stripOf(board, hole));
    };
    return { element, part, from: netAt('from'), to: netAt('to') };
  });
  const pairs = pairsOf(network, plugged);
  const netOf = new Map<string, Strip>();
  const nodeOf = new Map<Strip, string>();
  for (const { node, net } of pairs)
    if (!netOf.has(node) && !nodeOf.has(net)) {
      netOf.set(node, net);
      nodeOf.set(net, node);
    }
  const pins = plugged.flatMap(({ element, part, from, to }): BoardPin[] => {
    const right = (a: Strip, b: Strip): number =>
      Number(netOf.get(element.from) === a) + Number(netOf.get(element.to) === b);
    const isTurned = isSymmetric(element) && right(to, from) > right(from, to);
    const at = { from: { leg: 'from', net: from }, to: { leg: 'to', net: to } } as const;
    return (['from', 'to'] as const).map((end) => {
      const { leg, net } = at[isTurned ? other[end] : end];
      return { end: `${element.id}.${end}`, part: element.id, leg, node: element[end], hole: part?.[leg] ?? null, net };
    });
  });
  return { nets, netOf, nodeOf, pins };
}

const other = { from: 'to', to: 'from' } as const;

interface Plugged {
  readonly element: Element;
  readonly from: Strip;
  readonly to: Strip;
}

/** Pairs of a node and a group that have an end in common, the most alike first. */
function pairsOf(network: Network, plugged: readonly Plugged[]): { readonly node: string; readonly net: Strip }[] {
  const common = new Map<string, Map<Strip, number>>();
  const degree = new Map<string, number>();
  const size = new Map<Strip, number>();
  /** Pairs with an end in common that has its own sign. */
  const fixed = new Set<string>();
  const add = (node: string, net: Strip, ends: number): void => {
    const row = common.get(node) ?? new Map<Strip, number>();
    common.set(node, row.set(net, (row.get(net) ?? 0) + ends));
  };
  for (const { element, from, to } of plugged) {
    for (const node of [element.from, element.to]) degree.set(node, (degree.get(node) ?? 0) + 1);
    for (const net of [from, to]) size.set(net, (size.get(net) ?? 0) + 1);
    if (!isSymmetric(element)) {
      add(element.from, from, 1);
      add(element.to, to, 1);
      fixed.add(`${element.from} ${from}`).add(`${element.to} ${to}`);
      continue;
    }
    for (const node of new Set([element.from, element.to]))
      for (const net of new Set([from, to]))
        add(node, net, Math.min(element.from === element.to ? 2 : 1, from === to ? 2 : 1));
  }
  return nodesOf(network)
    .flatMap((node) =>
      // Of two that are alike the part that comes later in the drawing counts as right.
      [...(common.get(node) ?? [])].reverse().map(([net, ends]) => ({
        node,
        net,
        ends,
        isFixed: fixed.has(`${node} ${net}`),
        share: ends / (degree.get(node)! + size.get(net)! - ends),
      })),
    )
    .sort(
      (a, b) =>
        b.share - a.share ||
        Number(isLoose(a.net)) - Number(isLoose(b.net)) ||
        // A loop may be taken either way round: its source decides.
        Number(b.isFixed) - Number(a.isFixed) ||
        b.ends - a.ends,
    );
}

/** Returns the ends that are not in the strips of their node. */
export const wrongPins = ({ pins, netOf }: NodeMatch): BoardPin[] =>
  pins.filter(({ node, net }) => netOf.get(node) !== net);
