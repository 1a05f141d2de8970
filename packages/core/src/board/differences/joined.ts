import { moveHole, placeFor, type Room } from '../board-edits.ts';
import type { Board } from '../board.ts';
import { stripOf, type Strip } from '../holes.ts';
import type { DifferenceKind } from './kind.ts';
import { netWords } from './words.ts';

/** Two nodes in one group of strips. */
export interface Joined {
  readonly kind: 'joined';
  /** The node that has no strips of its own, and the one whose strips its ends are in. */
  readonly nodes: readonly [string, string];
  readonly strips: string;
  readonly holes: readonly string[];
}

/** A node whose ends are all, two or more, in the strips of another node. */
export const joined: DifferenceKind<Joined> = {
  find: ({ network, match, wrong }) => {
    const { netOf, nodeOf, pins } = match;
    for (const { node, net, part } of wrong) {
      if (netOf.has(node) || network.elements.some(({ id, from, to }) => id === part && from === to)) continue;
      const ends = pins.filter((pin) => pin.node === node && pin.hole !== null);
      const owner = nodeOf.get(net);
      if (owner !== undefined && ends.length >= 2 && ends.every((pin) => pin.net === net))
        return {
          kind: 'joined',
          nodes: [node, owner],
          strips: netWords(match, net) ?? '',
          holes: ends.map(({ hole }) => hole!),
        };
    }
    return null;
  },
  sentence: ({ nodes: [node, owner], strips }) => `Nodes ${owner} and ${node} are joined: both are in ${strips}.`,
  holes: ({ holes }) => holes,
  mending: ({ nodes: [node] }) => `Move node ${node} to a free row`,
  mend: ({ board }, { holes }) => moveToFreeRow(board, holes),
};

/** Moves the legs in some holes to an empty row, and to further rows joined by wires if five holes are not enough. */
function moveToFreeRow(board: Board, holes: readonly string[]): Board | null {
  let now = board;
  let row: Strip | null = null;
  for (const hole of holes) {
    const room: Room | null = placeFor(now, row, hole);
    if (!room) return null;
    now = moveHole(room.board, hole, room.hole);
    row = stripOf(now, room.hole);
  }
  return now;
}
