import { nextNode, nodesOf, type Network } from '../network/index.ts';
import type { Board } from './board.ts';
import type { Strip } from './holes.ts';
import { matchNodes, type NodeMatch } from './match-nodes.ts';
import { partsOn } from './parts-on.ts';

/**
 * Returns the circuit that a board makes, with the names of the drawing for the nodes that it has. Parts that are not on the board
 * are left out; null if none is on it.
 */
export function builtNetwork(network: Network, board: Board, match = matchNodes(network, board)): Network | null {
  const on = partsOn(board);
  const name = nodeNames(network, match);
  const nets = new Map(match.pins.map(({ end, net }) => [end, net]));
  const elements = network.elements
    .filter(({ id }) => on.has(id))
    .map((element) => ({
      ...element,
      from: name(nets.get(`${element.id}.from`)!),
      to: name(nets.get(`${element.id}.to`)!),
    }));
  if (elements.length === 0) return null;
  const { reference, ...rest } = network;
  const built = { ...rest, elements };
  return reference !== undefined && nodesOf(built).includes(reference) ? { ...built, reference } : built;
}

/** Returns the names of the groups of strips: their nodes', otherwise the next letters that are free. */
function nodeNames(network: Network, { nodeOf }: NodeMatch): (net: Strip) => string {
  const names = new Map<Strip, string>(nodeOf);
  let named = network;
  return (net) => {
    const known = names.get(net);
    if (known !== undefined) return known;
    const next = nextNode(named);
    names.set(net, next);
    named = { ...named, elements: [...named.elements, { id: net, kind: 'link', from: next, to: next }] };
    return next;
  };
}

/** Returns the node of the built circuit that a probe at a node of the drawing is on; null if no end of it is on the board. */
export function builtNode({ pins, netOf, nodeOf }: NodeMatch, node: string): string | null {
  const own = netOf.get(node);
  if (own !== undefined) return pins.some(({ net, hole }) => net === own && hole !== null) ? node : null;
  const elsewhere = pins.find((pin) => pin.node === node && pin.hole !== null);
  return (elsewhere && nodeOf.get(elsewhere.net)) ?? null;
}
