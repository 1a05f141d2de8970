import { dropPart, moveHole, movePart, putPart, removeWire, usedHoles, type Board } from '@usual-drag/core/board';

/** Something that is dragged: an end in a hole, a part as a whole, or a part that is not on the board yet. */
export interface Dragged {
  readonly kind: 'end' | 'part' | 'new-part';
  /** Id of the part; empty for an end. */
  readonly id: string;
  /** Hole that it was picked up at; null if it was not on the board. */
  readonly hole: string | null;
  /** In words, to be read out. */
  readonly name: string;
}

/**
 * Returns the board after something is dropped at a hole, unchanged if the hole is taken. Beside the board an end of a wire
 * removes the wire, and a part is taken off.
 */
export function afterDrop(board: Board, { kind, id, hole }: Dragged, at: string | null): Board {
  if (at === hole) return board;
  if (kind === 'end')
    return at === null ? withoutEnd(board, hole!) : isTaken(board, at) ? board : moveHole(board, hole!, at);
  if (kind === 'part') return at === null ? putPart(board, { id }) : movePart(board, id, at);
  return at === null || isTaken(board, at) ? board : dropPart(board, id, at);
}

/** Returns the board without what is in a hole: a wire as a whole, a leg of a part alone. */
export function withoutEnd(board: Board, hole: string): Board {
  const part = board.parts.find(({ from, to }) => from === hole || to === hole);
  if (!part) return removeWire(board, hole);
  const { id, from, to } = part;
  const other = from === hole ? to : from;
  return putPart(board, { id, ...(other !== undefined && (from === hole ? { to: other } : { from: other })) });
}

const isTaken = (board: Board, hole: string): boolean => usedHoles(board).includes(hole);
