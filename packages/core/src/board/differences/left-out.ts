import { bodyAway, placeFor, putLeg, type Room } from '../board-edits.ts';
import { stripOf, type Strip } from '../holes.ts';
import { isLoose, matchNodes } from '../match-nodes.ts';
import { partsOn } from '../parts-on.ts';
import type { DifferenceKind } from './kind.ts';

/** A part that is not on the board. */
export interface LeftOut {
  readonly kind: 'left-out';
  readonly part: string;
}

/** A part of which both ends are in no hole. */
export const leftOut: DifferenceKind<LeftOut> = {
  find: ({ network, board }) => {
    const on = partsOn(board);
    const part = network.elements.find(({ id }) => !on.has(id));
    return part ? { kind: 'left-out', part: part.id } : null;
  },
  sentence: ({ part }) => `${part} is not on the board.`,
  holes: () => [],
  mending: ({ part }) => `Put ${part} on the board`,
  mend: ({ network, board }, { part }) => {
    const element = network.elements.find(({ id }) => id === part);
    if (!element) return null;
    const { netOf } = matchNodes(network, board);
    let now = board;
    let before: string | null = null;
    for (const end of ['from', 'to'] as const) {
      const isShorted: boolean = end === 'to' && element.from === element.to;
      const own: Strip | undefined = isShorted && before !== null ? stripOf(now, before) : netOf.get(element[end]);
      const isNew: boolean = own === undefined || isLoose(own);
      const room: Room | null = placeFor(
        now,
        isNew ? null : own!,
        isNew && before !== null ? bodyAway(now, before) : before,
      );
      if (!room) return null;
      now = putLeg(room.board, part, end, room.hole);
      before = room.hole;
    }
    return now;
  },
};
