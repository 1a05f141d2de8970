import type { Network } from '../network/index.ts';
import type { Board } from './board.ts';

/**
 * Returns the board after an edit of the network: a part that has a new name keeps its holes. A part that is removed stays on the
 * board until it is taken off, because it may come back, as while a line is typed.
 */
export function followNetwork(board: Board, before: Network, after: Network): Board {
  const known = new Set(before.elements.map(({ id }) => id));
  const present = new Set(after.elements.map(({ id }) => id));
  const renamed = new Map(
    before.elements.flatMap(({ id }, index) => {
      const now = after.elements[index]?.id;
      return now !== undefined && !present.has(id) && !known.has(now) ? [[id, now] as const] : [];
    }),
  );
  if (renamed.size === 0 || before.elements.length !== after.elements.length) return board;
  return { ...board, parts: board.parts.map((part) => ({ ...part, id: renamed.get(part.id) ?? part.id })) };
}
