import { holesOf } from '../parts-on.ts';
import type { DifferenceKind } from './kind.ts';

/** A part on the board that the drawing does not have. */
export interface UnknownPart {
  readonly kind: 'unknown-part';
  readonly part: string;
}

/** A part on the board that the drawing does not have. It counts as not connected, because its value is unknown. */
export const unknownPart: DifferenceKind<UnknownPart> = {
  find: ({ network, board }) => {
    const known = new Set(network.elements.map(({ id }) => id));
    const extra = board.parts.find(({ id }) => !known.has(id));
    return extra ? { kind: 'unknown-part', part: extra.id } : null;
  },
  sentence: ({ part }) => `${part} is on the board, but the circuit has no part of this name.`,
  holes: ({ part }, board) => holesOf(board, part),
  mending: ({ part }) => `Remove ${part} from the board`,
  mend: ({ board }, { part }) => ({ ...board, parts: board.parts.filter(({ id }) => id !== part) }),
};
