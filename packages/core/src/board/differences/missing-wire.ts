import { addWire, roomIn } from '../board-edits.ts';
import { holesIn, railOf, type Strip } from '../holes.ts';
import { isLoose } from '../match-nodes.ts';
import { holesInUse } from '../parts-on.ts';
import type { DifferenceKind } from './kind.ts';
import { netWords } from './words.ts';

/** Two groups of strips that carry one node and are not joined. */
export interface MissingWire {
  readonly kind: 'missing-wire';
  readonly node: string;
  /** A strip of each group. */
  readonly strips: readonly [Strip, Strip];
  /** The groups in words. */
  readonly places: readonly [string, string];
  /** They are the two halves of one rail. */
  readonly isSplitRail: boolean;
}

/** A rail, or rows with several ends of a node and no other, that is not joined to the other strips of this node. */
export const missingWire: DifferenceKind<MissingWire> = {
  find: ({ match, wrong }) => {
    const { nets, netOf, pins } = match;
    for (const { node, net } of wrong) {
      const own = netOf.get(node);
      if (own === undefined || isLoose(own) || isLoose(net)) continue;
      const there = pins.filter((pin) => pin.net === net);
      if (there.some((pin) => pin.node !== node)) continue;
      const strips = nets.strips(net);
      const isRail = strips.some((strip) => railOf(strip) !== null);
      if (there.length < 2 && !isRail && strips.length < 2) continue;
      const halves = strips.flatMap((strip) => {
        const rail = railOf(strip);
        const other = rail && nets.strips(own).find((one) => railOf(one) === rail);
        return other ? [[other, strip] as const] : [];
      });
      const places = [netWords(match, own) ?? '', netWords(match, net) ?? ''] as const;
      return {
        kind: 'missing-wire',
        node,
        strips: halves[0] ?? [nets.strips(own)[0] ?? own, strips[0] ?? net],
        places,
        isSplitRail: halves.length > 0,
      };
    }
    return null;
  },
  sentence: ({ node, places: [one, two], isSplitRail }) =>
    isSplitRail
      ? `The rail of node ${node} is split in the middle: ${one} and ${two} are not joined.`
      : `Node ${node} is in two places that are not joined: ${one}, and ${two}.`,
  holes: ({ strips }, board) => holesInUse(board, strips[1]),
  mending: () => 'Add a wire between them',
  mend: ({ board }, { strips: [a, b] }) => {
    // The halves of a rail meet at the middle: the wire starts at the nearest holes.
    const one = roomIn(board, a, holesIn(board, b)[0]!);
    const two = one && roomIn(one.board, b, one.hole);
    return two && addWire(two.board, one.hole, two.hole);
  },
};
