import { holesOf } from '../parts-on.ts';
import { emptyRowHole, putLeg, roomIn } from '../board-edits.ts';
import { stripOf, type Strip } from '../holes.ts';
import { isLoose, type Leg } from '../match-nodes.ts';
import type { DifferenceKind } from './kind.ts';
import { asSentence, legWords, netWords } from './words.ts';
import { partsOn } from '../parts-on.ts';

/** A leg in the wrong strip, or in none. */
export interface Misplaced {
  readonly kind: 'misplaced';
  readonly part: string;
  readonly leg: Leg;
  readonly legWords: string;
  readonly node: string;
  /** Strip that the leg is in, in words; null if it is in no hole. */
  readonly at: string | null;
  /** Hole that the leg is in; null if it is in none. */
  readonly hole: string | null;
  /** Strips of its node; null if it has none yet. */
  readonly strip: Strip | null;
  /** The same in words. */
  readonly place: string | null;
  /** Effect of the leg in that place. */
  readonly effect: 'shorted' | 'open' | { readonly joins: string };
}

/** A leg that is not in the strips of its node, of a part that is on the board. */
export const misplaced: DifferenceKind<Misplaced> = {
  find: ({ network, board, match, wrong }) => {
    const on = partsOn(board);
    const pin = wrong.find(({ part }) => on.has(part));
    if (!pin) return null;
    const { nets, netOf, nodeOf, pins } = match;
    const own = netOf.get(pin.node);
    const isShorted = pins.some(({ end, part, net }) => part === pin.part && end !== pin.end && net === pin.net);
    const owner = nodeOf.get(pin.net);
    return {
      kind: 'misplaced',
      part: pin.part,
      leg: pin.leg,
      legWords: legWords(network, pin.part, pin.leg),
      node: pin.node,
      at: netWords(match, pin.hole === null ? pin.net : nets.of(stripOf(board, pin.hole))),
      hole: pin.hole,
      strip: own === undefined || isLoose(own) ? null : own,
      place: own === undefined ? null : netWords(match, own),
      effect: isShorted ? 'shorted' : owner === undefined || owner === pin.node ? 'open' : { joins: owner },
    };
  },
  sentence: ({ part, legWords: leg, node, at, place, effect }) => {
    const where = at === null ? 'is in no hole' : `is in ${at}`;
    const belongs = place === null ? `node ${node} has no row yet` : `node ${node} is in ${place}`;
    const result =
      effect === 'shorted'
        ? `Both legs of ${part} are joined, so it is shorted.`
        : effect === 'open'
          ? `Nothing else is there, so ${part} is open.`
          : `That is node ${effect.joins}.`;
    return `${asSentence(leg)} ${where}; ${belongs}. ${at === null ? `${part} is open.` : result}`;
  },
  holes: ({ part, hole }, board) => (hole === null ? holesOf(board, part) : [hole]),
  mending: ({ place }) => (place === null ? 'Move it to a free row' : `Move it to ${place}`),
  mend: ({ board }, { part, leg, hole, strip }) => {
    const without = putLeg(board, part, leg, null);
    const empty = strip === null ? emptyRowHole(without, hole) : null;
    const room = strip === null ? empty && { board: without, hole: empty } : roomIn(without, strip, hole);
    return room ? putLeg(room.board, part, leg, room.hole) : null;
  },
};
