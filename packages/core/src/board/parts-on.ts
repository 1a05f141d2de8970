import type { Board } from './board.ts';
import { usedHoles } from './board-faults.ts';
import { stripOf, type Strip } from './holes.ts';

/** Returns the parts that have at least one leg in a hole. */
export const partsOn = ({ parts }: Board): ReadonlySet<string> =>
  new Set(parts.filter(({ from, to }) => from !== undefined || to !== undefined).map(({ id }) => id));

/** Returns the holes that a part is in. */
export const holesOf = ({ parts }: Board, id: string): string[] =>
  parts.filter((part) => part.id === id).flatMap(({ from, to }) => [from, to].filter((hole) => hole !== undefined));

/** Returns the holes of a strip that something is in. */
export const holesInUse = (board: Board, strip: Strip): string[] =>
  usedHoles(board).filter((hole) => stripOf(board, hole) === strip);
