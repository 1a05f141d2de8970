import type { Board } from './board.ts';

/** Columns of holes on either side of the gap; the five holes of a row on one side are connected. */
const sides = { left: 'abcde', right: 'fghij' } as const;
/** Side of the gap. */
export type Side = keyof typeof sides;

/** The long rails: one for + and one for − on either edge. */
const railNames = {
  'L+': 'left + rail',
  'L-': 'left − rail',
  'R+': 'right + rail',
  'R-': 'right − rail',
} as const;
/** One of the four long rails. */
export type RailName = keyof typeof railNames;
/** The long rails, from left to right. */
export const rails = Object.keys(railNames) as readonly RailName[];

/** A hole: `5a` is column a of row 5, `5L+` is the hole of the left + rail beside row 5. */
export interface Hole {
  /** From 1. */
  readonly row: number;
  /** A letter from a to j, or a rail. */
  readonly column: string;
}

/** Holes that the board connects: `12L` and `12R` are rows, `L+` is a rail, `L+1` and `L+2` are the halves of a split one. */
export type Strip = string;

/** Name of a hole: row and column, or row and rail. */
export const holePattern = /^([1-9]\d{0,2})([a-j]|[LR][+-])$/;

/** Reads `5a` or `5L+`; null if it is not the name of a hole. */
export function parseHole(text: string): Hole | null {
  const match = holePattern.exec(text);
  return match && { row: Number(match[1]), column: match[2]! };
}

/** Returns a hole's name. */
export const holeName = ({ row, column }: Hole): string => `${row}${column}`;

const isRail = (column: string): column is RailName => column in railNames;

/** The last row of the upper half of a split rail. */
export const lastUpperRow = ({ rows }: Pick<Board, 'rows'>): number => Math.floor(rows / 2);

/** Returns the strip that a hole is in. */
export function stripOf(board: Pick<Board, 'rows' | 'splitRails'>, hole: string): Strip {
  const { row, column } = parseHole(hole)!;
  if (!isRail(column)) return `${row}${sides.left.includes(column) ? 'L' : 'R'}`;
  return board.splitRails ? `${column}${row <= lastUpperRow(board) ? 1 : 2}` : column;
}

/** Returns the holes of a strip, the outermost or uppermost first. */
export function holesIn(board: Pick<Board, 'rows' | 'splitRails'>, strip: Strip): string[] {
  const row = /^(\d+)([LR])$/.exec(strip);
  if (row) return [...sides[row[2] === 'L' ? 'left' : 'right']].map((column) => `${row[1]}${column}`);
  const rail = strip.slice(0, 2);
  const half = strip[2];
  const [first, last] =
    half === '1' ? [1, lastUpperRow(board)] : half === '2' ? [lastUpperRow(board) + 1, board.rows] : [1, board.rows];
  return Array.from({ length: last - first + 1 }, (_, k) => `${first + k}${rail}`);
}

/** Returns the row and the side of a strip; null for a rail. */
function rowOf(strip: Strip): { readonly row: number; readonly side: Side } | null {
  const match = /^(\d+)([LR])$/.exec(strip);
  return match && { row: Number(match[1]), side: match[2] === 'L' ? 'left' : 'right' };
}

/** Returns the rail that a strip is, or is a half of; null for a row. */
export const railOf = (strip: Strip): RailName | null => (rowOf(strip) ? null : (strip.slice(0, 2) as RailName));

/** Returns a strip in words: `row 12 left`, `left + rail`, `lower half of the left + rail`. */
export function stripWords(strip: Strip): string {
  const row = rowOf(strip);
  if (row) return `row ${row.row} ${row.side}`;
  const name = railNames[strip.slice(0, 2) as RailName];
  const half = strip[2];
  return half === undefined ? name : `${half === '1' ? 'upper' : 'lower'} half of the ${name}`;
}

/** Returns every row of the board on either side. */
export const rowsOf = ({ rows }: Pick<Board, 'rows'>): Strip[] =>
  Array.from({ length: rows }, (_, k) => [`${k + 1}L`, `${k + 1}R`]).flat();

/** Returns the letters of the columns on a side, from left to right. */
export const columnsOn = (side: Side): readonly string[] => [...sides[side]];
