import { turnPart } from '../board-edits.ts';
import { matchNodes, wrongPins } from '../match-nodes.ts';
import { holesOf } from '../parts-on.ts';
import type { DifferenceKind } from './kind.ts';

/** A source or a polarised load that is plugged in the wrong way round. */
export interface Reversed {
  readonly kind: 'reversed';
  readonly part: string;
}

/** A part of which both ends are wrong, and right once it is turned round. */
export const reversed: DifferenceKind<Reversed> = {
  find: ({ network, board, wrong }) => {
    const twice = wrong.filter(
      ({ end, part }) => end.endsWith('.to') && wrong.some((one) => one.end === `${part}.from`),
    );
    for (const { part } of twice) {
      const left = wrongPins(matchNodes(network, turnPart(board, part)));
      if (left.length < wrong.length && !left.some((one) => one.part === part)) return { kind: 'reversed', part };
    }
    return null;
  },
  sentence: ({ part }) => `${part} is the wrong way round.`,
  holes: ({ part }, board) => holesOf(board, part),
  mending: ({ part }) => `Turn ${part} round`,
  mend: ({ board }, { part }) => turnPart(board, part),
};
