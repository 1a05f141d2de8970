import type { Network } from '../network/index.ts';
import type { Board } from './board.ts';
import { mendBoard, type BoardDifference } from './differences/index.ts';
import { boardEffect, type BoardEffect } from './effect.ts';

/** Returns what one of the differences of a board alone does to the readings: all others are mended. */
export const differenceEffect = (
  network: Network,
  board: Board,
  differences: readonly BoardDifference[],
  difference: BoardDifference,
): BoardEffect => boardEffect(network, withOnly(network, board, differences, difference));

/** Returns the board on which all differences but one are mended, as far as there is room. */
function withOnly(
  network: Network,
  board: Board,
  differences: readonly BoardDifference[],
  kept: BoardDifference,
): Board {
  return differences.reduce(
    (now, difference) => (difference === kept ? now : (mendBoard(network, now, difference) ?? now)),
    board,
  );
}
