import { exchangeParts } from '../board-edits.ts';
import { matchNodes, wrongPins } from '../match-nodes.ts';
import { holesOf } from '../parts-on.ts';
import { partsOn } from '../parts-on.ts';
import type { DifferenceKind } from './kind.ts';

/** Two parts in each other's place. */
export interface Exchanged {
  readonly kind: 'exchanged';
  readonly parts: readonly [string, string];
}

/** Two parts, both with wrong ends, that are right once they exchange their places. */
export const exchanged: DifferenceKind<Exchanged> = {
  find: ({ network, board, wrong }) => {
    const on = partsOn(board);
    const parts = [...new Set(wrong.map(({ part }) => part))].filter((id) => on.has(id));
    for (const [index, a] of parts.entries())
      for (const b of parts.slice(index + 1)) {
        const left = wrongPins(matchNodes(network, exchangeParts(board, a, b)));
        if (left.length < wrong.length && !left.some(({ part }) => part === a || part === b))
          return { kind: 'exchanged', parts: [a, b] };
      }
    return null;
  },
  sentence: ({ parts: [a, b] }) => `${a} and ${b} are exchanged: each is in the place of the other.`,
  holes: ({ parts }, board) => parts.flatMap((part) => holesOf(board, part)),
  mending: ({ parts: [a, b] }) => `Exchange ${a} and ${b}`,
  mend: ({ board }, { parts: [a, b] }) => exchangeParts(board, a, b),
};
