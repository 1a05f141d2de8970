import { nodesOf, type Network } from '../network/index.ts';
import type { Board } from './board.ts';
import { builtNetwork } from './built-network.ts';
import { boardDifferences, mendBoard, type BoardDifference } from './differences/index.ts';
import { boardCautions, boardEffect, type BoardEffect } from './effect.ts';
import type { Strip } from './holes.ts';
import { isLoose, matchNodes } from './match-nodes.ts';

/** A difference, and what it alone does to the readings. */
export interface CheckedDifference {
  readonly difference: BoardDifference;
  readonly effect: BoardEffect;
}

/** Comparison of the circuit that a board makes with the drawing. */
export interface BoardCheck {
  /** None if the board makes the circuit that is drawn. */
  readonly differences: readonly CheckedDifference[];
  /** The circuit that the board makes; null if nothing of the network is on it. */
  readonly built: Network | null;
  /** Cautions that it raises and the drawing does not. */
  readonly cautions: readonly string[];
}

/** Checks a board against a network. */
export function checkBoard(network: Network, board: Board): BoardCheck {
  const differences = boardDifferences(network, board);
  const built = builtNetwork(network, board);
  return {
    differences: differences.map((difference, index) => ({
      difference,
      effect: boardEffect(network, withOnly(network, board, differences, index)),
    })),
    built,
    cautions: boardCautions(network, built),
  };
}

/** Returns the board on which all differences but one are mended, as far as there is room. */
function withOnly(network: Network, board: Board, differences: readonly BoardDifference[], kept: number): Board {
  return differences.reduce(
    (now, difference, index) => (index === kept ? now : (mendBoard(network, now, difference) ?? now)),
    board,
  );
}

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
