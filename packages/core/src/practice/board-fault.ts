import { addWire, emptyRowHole, exchangeParts, freeHole, netsOf, putLeg, stripOf, type Board } from '../board/index.ts';
import type { CircuitHypothesis } from '../faults/index.ts';

/** Kinds of fault that a mistake on a strip board makes. */
const boardFaultNames: readonly CircuitHypothesis['fault'][] = ['open', 'short', 'swapped'];

/** Returns whether a mistake on a strip board makes a fault. */
export const isBoardFault = ({ fault }: CircuitHypothesis): boolean => boardFaultNames.includes(fault);

/**
 * Returns a board with the mistake that makes a fault: a leg in the next free row for a part that is open, a wire between the
 * rows of a part that is shorted, two parts exchanged.
 *
 * @returns null if no mistake on the board makes this fault, or if the board is full
 */
export function boardWithFault(board: Board, { fault, where: [id, other] }: CircuitHypothesis): Board | null {
  const part = board.parts.find((one) => one.id === id);
  if (part?.from === undefined || part.to === undefined) return null;
  if (fault === 'open') {
    const leg = endsBeside(board, part.from) > endsBeside(board, part.to) ? 'from' : 'to';
    const row = emptyRowHole(board, part[leg]!);
    return row === null ? null : putLeg(board, part.id, leg, row);
  }
  if (fault === 'short') {
    const nets = netsOf(board);
    const from = freeHole(board, nets, nets.of(stripOf(board, part.from)), part.from);
    const to = freeHole(board, nets, nets.of(stripOf(board, part.to)), part.to);
    return from === null || to === null ? null : addWire(board, from, to);
  }
  return fault === 'swapped' && other !== undefined ? exchangeParts(board, part.id, other) : null;
}

/** Returns the number of legs that are joined to the one in a hole: without it, the node is where most of them are. */
function endsBeside(board: Board, hole: string): number {
  const nets = netsOf(board);
  const net = nets.of(stripOf(board, hole));
  return board.parts
    .flatMap(({ from, to }) => [from, to])
    .filter((one) => one !== undefined && nets.of(stripOf(board, one)) === net).length;
}
