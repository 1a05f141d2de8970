import { placeFor, putLeg } from '../board-edits.ts';
import { stripOf, stripWords, type Strip } from '../holes.ts';
import { isLoose, type BoardPin, type Leg, type NodeMatch } from '../match-nodes.ts';
import { holesOf, partsOn } from '../parts-on.ts';
import type { DifferenceKind } from './kind.ts';
import { asSentence, legWords, netWords } from './words.ts';

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
  readonly effect: 'shorted' | 'open' | { readonly node: string } | { readonly parts: readonly string[] };
}

/** A leg that is not in the strips of its node, of a part that is on the board. */
export const misplaced: DifferenceKind<Misplaced> = {
  find: ({ network, board, match, wrong }) => {
    const on = partsOn(board);
    const pin = wrong.find(({ part }) => on.has(part));
    if (!pin) return null;
    const { netOf } = match;
    const own = netOf.get(pin.node);
    return {
      kind: 'misplaced',
      part: pin.part,
      leg: pin.leg,
      legWords: legWords(network, pin.part, pin.leg),
      node: pin.node,
      at: pin.hole === null ? null : stripWords(stripOf(board, pin.hole)),
      hole: pin.hole,
      strip: own === undefined || isLoose(own) ? null : own,
      place: own === undefined ? null : netWords(match, own),
      effect: effectOf(match, pin),
    };
  },
  sentence: ({ part, legWords: leg, node, at, place, effect }) => {
    const where = at === null ? 'is not in a hole' : `is in ${at}`;
    const belongs = place === null ? `node ${node} has no row yet` : `node ${node} is in ${place}`;
    return `${asSentence(leg)} ${where}; ${belongs}. ${effectWords(part, at, effect)}`;
  },
  holes: ({ part, hole }, board) => (hole === null ? holesOf(board, part) : [hole]),
  mending: ({ place }) => (place === null ? 'Move it to a free row' : `Move it to ${place}`),
  mend: ({ board }, { part, leg, hole, strip }) => {
    const without = putLeg(board, part, leg, null);
    const room = placeFor(without, strip, hole);
    return room ? putLeg(room.board, part, leg, room.hole) : null;
  },
};

/** Returns the effect of a leg in the strips that it is in. */
function effectOf({ nodeOf, pins }: NodeMatch, pin: BoardPin): Misplaced['effect'] {
  const there = pins.filter(({ net, end }) => net === pin.net && end !== pin.end);
  if (there.some(({ part, node }) => part === pin.part && node !== pin.node)) return 'shorted';
  const parts = [...new Set(there.map(({ part }) => part))].filter((part) => part !== pin.part);
  const node = nodeOf.get(pin.net);
  if (parts.length === 0) return 'open';
  return node === undefined ? { parts } : { node };
}

function effectWords(part: string, at: string | null, effect: Misplaced['effect']): string {
  if (at === null) return `${part} is open.`;
  if (effect === 'shorted') return `Both legs of ${part} are joined, so it is shorted.`;
  if (effect === 'open') return `Nothing else is there, so ${part} is open.`;
  return 'node' in effect ? `That is node ${effect.node}.` : `There it is joined to ${effect.parts.join(' and ')}.`;
}
