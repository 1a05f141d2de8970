import { nodesOf, type Network } from '../network/index.ts';
import type { Board } from './board.ts';
import type { Strip } from './holes.ts';
import { isLoose, matchNodes } from './match-nodes.ts';

/** Strips of a board and the nodes that they carry. */
export interface CarriedNodes {
  /** Node of a strip, for every strip that carries one. */
  readonly nodeOf: ReadonlyMap<Strip, string>;
  /** Strips of a node, for every node of the network. */
  readonly stripsOf: ReadonlyMap<string, readonly Strip[]>;
}

/** Returns which strips carry which node. */
export function carriedNodes(network: Network, board: Board): CarriedNodes {
  const { nets, netOf } = matchNodes(network, board);
  const stripsOf = new Map(
    nodesOf(network).map((node) => {
      const net = netOf.get(node);
      return [node, net === undefined || isLoose(net) ? [] : nets.strips(net)] as const;
    }),
  );
  return { stripsOf, nodeOf: new Map([...stripsOf].flatMap(([node, strips]) => strips.map((one) => [one, node]))) };
}
