import { duplicates } from '../network/index.ts';
import type { Board } from './board.ts';
import { parseHole } from './holes.ts';

/** A fault that keeps a board from being stored. */
export interface BoardFault {
  readonly code: 'invalid-value' | 'duplicate-id';
  readonly message: string;
  readonly where: readonly string[];
}

/** Returns the faults of a board's holes and names: a hole that it does not have, one used twice, a part placed twice. */
export function boardFaults(board: Board): BoardFault[] {
  const used = usedHoles(board);
  return [
    ...[...new Set(used)].flatMap((hole): BoardFault[] => {
      const parsed = parseHole(hole);
      return parsed && parsed.row <= board.rows
        ? []
        : [
            {
              code: 'invalid-value',
              message: `The board has no hole ${hole}. Rows are 1 to ${board.rows}, columns a to j, L+, L-, R+ and R-.`,
              where: ['board'],
            },
          ];
    }),
    ...duplicates(used).map((hole): BoardFault => ({
      code: 'invalid-value',
      message: `Two ends are in hole ${hole} of the board. Move one of them to another hole of its row.`,
      where: ['board'],
    })),
    ...duplicates(board.parts.map(({ id }) => id)).map((id): BoardFault => ({
      code: 'duplicate-id',
      message: `${id} is on the board twice. Remove one of its entries.`,
      where: ['board', id],
    })),
  ];
}

/** Returns the holes that something is in, in the order of parts and wires. */
export const usedHoles = ({ parts, wires }: Board): string[] => [
  ...parts.flatMap(({ from, to }) => [from, to].filter((hole) => hole !== undefined)),
  ...wires.flatMap(({ from, to }) => [from, to]),
];
