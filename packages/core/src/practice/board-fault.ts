import {
  addWire,
  emptyRowHole,
  exchangeParts,
  freeHole,
  netsOf,
  putLeg,
  stripOf,
  type Board,
  type BoardPart,
} from '../board/index.ts';
import type { CircuitHypothesis } from '../faults/index.ts';

type Mistake = (board: Board, part: Required<BoardPart>, other: string | undefined) => Board | null;

/** Mistakes on a strip board, by the kind of fault that they make. */
const mistakes: Partial<Record<CircuitHypothesis['fault'], Mistake>> = {
  // A leg in the next empty row.
  open: (board, { id, from, to }) => {
    const leg = endsBeside(board, from) > endsBeside(board, to) ? 'from' : 'to';
    const hole = emptyRowHole(board, leg === 'from' ? from : to);
    return hole === null ? null : putLeg(board, id, leg, hole);
  },
  // A wire between the rows of the part.
  short: (board, part) => {
    const nets = netsOf(board);
    const [from, to] = [part.from, part.to].map((hole) => freeHole(board, nets, nets.of(stripOf(board, hole)), hole));
    return from != null && to != null ? addWire(board, from, to) : null;
  },
  swapped: (board, { id }, other) => (other === undefined ? null : exchangeParts(board, id, other)),
};

/** Returns whether a mistake on a strip board makes a fault. */
export const isBoardFault = ({ fault }: CircuitHypothesis): boolean => fault in mistakes;

/**
 * Returns a board with the mistake that makes a fault.
 *
 * @returns null if no mistake on the board makes this fault, or if the board is full
 */
export function boardWithFault(board: Board, { fault, where: [id, other] }: CircuitHypothesis): Board | null {
  const part = board.parts.find((one) => one.id === id);
  if (part?.from === undefined || part.to === undefined) return null;
  return mistakes[fault]?.(board, { ...part, from: part.from, to: part.to }, other) ?? null;
}

/** Returns the number of legs in the strips of a hole. A node is recognised by the strips that most of its legs are in. */
function endsBeside(board: Board, hole: string): number {
  const nets = netsOf(board);
  const net = nets.of(stripOf(board, hole));
  return board.parts
    .flatMap(({ from, to }) => [from, to])
    .filter((one) => one !== undefined && nets.of(stripOf(board, one)) === net).length;
}
