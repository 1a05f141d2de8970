import type { Network } from '../../network/index.ts';
import type { Board } from '../board.ts';
import { matchNodes, wrongPins } from '../match-nodes.ts';
import { exchanged, type Exchanged } from './exchanged.ts';
import { joined, type Joined } from './joined.ts';
import type { Compared, DifferenceKind } from './kind.ts';
import { leftOut, type LeftOut } from './left-out.ts';
import { misplaced, type Misplaced } from './misplaced.ts';
import { missingWire, type MissingWire } from './missing-wire.ts';
import { reversed, type Reversed } from './reversed.ts';
import { unknownPart, type UnknownPart } from './unknown-part.ts';
import { wrongWire, type WrongWire } from './wrong-wire.ts';

/** One difference between the circuit that a board makes and the drawing. */
export type BoardDifference =
  UnknownPart | WrongWire | Exchanged | Reversed | Joined | MissingWire | Misplaced | LeftOut;

/** Kinds of difference, in the order in which they are looked for: what explains several wrong ends comes first. */
const kinds: { readonly [Name in BoardDifference['kind']]: DifferenceKind<Extract<BoardDifference, { kind: Name }>> } =
  {
    'unknown-part': unknownPart,
    'wrong-wire': wrongWire,
    exchanged,
    reversed,
    joined,
    'missing-wire': missingWire,
    misplaced,
    'left-out': leftOut,
  };

const kindOf = ({ kind }: BoardDifference): DifferenceKind<BoardDifference> => kinds[kind];

/** Returns a difference as a sentence. */
export const differenceSentence = (difference: BoardDifference): string => kindOf(difference).sentence(difference);

/** Returns the holes that a difference is about. */
export const differenceHoles = (difference: BoardDifference, board: Board): readonly string[] =>
  kindOf(difference).holes(difference, board);

/** Returns what mends a difference, as the text of a button. */
export const mendingText = (difference: BoardDifference): string => kindOf(difference).mending(difference);

/** Returns the board without a difference; null if there is no room for what that needs. */
export const mendBoard = (network: Network, board: Board, difference: BoardDifference): Board | null =>
  kindOf(difference).mend(compare(network, board), difference);

/** Compares a board with a network. */
function compare(network: Network, board: Board): Compared {
  const match = matchNodes(network, board);
  return { network, board, match, wrong: wrongPins(match) };
}

/**
 * Returns the differences of a board from the drawing; none if it makes the same circuit. Each is found on the board on which
 * those before it are mended.
 */
export function boardDifferences(network: Network, board: Board): BoardDifference[] {
  const found: BoardDifference[] = [];
  const seen = new Set<string>();
  for (let now = compare(network, board); ;) {
    const difference = firstDifference(now);
    if (difference === null) return found;
    found.push(difference);
    const mended = kindOf(difference).mend(now, difference);
    // What cannot be mended, or leads back to a board that was there before, ends the list.
    if (mended === null || seen.has(JSON.stringify(mended))) return found;
    seen.add(JSON.stringify(mended));
    now = compare(network, mended);
  }
}

function firstDifference(compared: Compared): BoardDifference | null {
  for (const kind of Object.values(kinds)) {
    const difference = kind.find(compared);
    if (difference !== null) return difference;
  }
  return null;
}
