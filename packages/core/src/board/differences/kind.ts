import type { Network } from '../../network/index.ts';
import type { Board } from '../board.ts';
import type { BoardPin, NodeMatch } from '../match-nodes.ts';

/** A board, the network that it is compared with, and the match of nodes and strips. */
export interface Compared {
  readonly network: Network;
  readonly board: Board;
  readonly match: NodeMatch;
  /** Ends that are not in the strips of their node. */
  readonly wrong: readonly BoardPin[];
}

/** A kind of difference between a board and the drawing. */
export interface DifferenceKind<D> {
  /** Returns a difference of this kind, or null if there is none. */
  find(compared: Compared): D | null;
  /** The difference as a sentence. */
  sentence(difference: D): string;
  /** Holes to mark on the picture. */
  holes(difference: D, board: Board): readonly string[];
  /** Text of the button that mends the board. */
  mending(difference: D): string;
  /** Returns the board without the difference; null if it has no room for that. */
  mend(compared: Compared, difference: D): Board | null;
}
