import { boardRows, columnsOn, parseHole, type Board } from '../../board/index.ts';

/** px between two rows, and between two columns of one side. */
export const pitch = { row: 21, column: 36 } as const;

/** px from the upper edge to the first row: the tags of a supply's leads are above it. */
const top = 46;
const bottom = 26;

/** px of every column of holes from the left edge. */
const columnPlaces: ReadonlyMap<string, number> = new Map([
  ...placed(['L+', 'L-'], 46, 26),
  ...placed(columnsOn('left'), 146, pitch.column),
  ...placed(columnsOn('right'), 350, pitch.column),
  ...placed(['R+', 'R-'], 568, 26),
]);

function placed(columns: readonly string[], first: number, apart: number): [string, number][] {
  return columns.map((column, index) => [column, first + apart * index]);
}

/** px of the board's parts across. */
export const across = {
  width: 640,
  /** Middle of the gap, for the numbers of the rows. */
  gap: 320,
  /** Badges of the nodes beside the rows of either side. */
  badges: { left: 112, right: 528 },
} as const;

/** Returns the height of a board, px. */
export const heightOf = ({ rows }: Pick<Board, 'rows'>): number => top + pitch.row * (rows - 1) + bottom;

/** Returns the height of a row, px. */
export const rowPlace = (row: number): number => top + pitch.row * (row - 1);

/** A point of a drawing, px. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** Returns the centre of a hole, px. */
export function holePoint(hole: string): Point {
  const { row, column } = parseHole(hole)!;
  return { x: columnPlaces.get(column)!, y: rowPlace(row) };
}

/** px around a hole that belong to it. */
const reach = 19;

/** Returns the hole at a point; null if there is none. */
export function holeAt(board: Pick<Board, 'rows'>, { x, y }: Point): string | null {
  const row = Math.round((y - top) / pitch.row) + 1;
  if (row < 1 || row > Math.min(board.rows, boardRows.most)) return null;
  const [nearest] = [...columnPlaces].sort(([, a], [, b]) => Math.abs(a - x) - Math.abs(b - x));
  return nearest && Math.abs(nearest[1] - x) <= reach ? `${row}${nearest[0]}` : null;
}

/** Returns every hole of a row, from left to right. */
export const holesOfRow = (row: number): string[] => [...columnPlaces.keys()].map((column) => `${row}${column}`);

const columns = [...columnPlaces.keys()];

/** Returns the hole beside a hole; the hole itself at the edge of the board. */
export function holeBeside(
  board: Pick<Board, 'rows'>,
  hole: string,
  direction: 'left' | 'right' | 'up' | 'down',
): string {
  const { row, column } = parseHole(hole)!;
  if (direction === 'up') return `${Math.max(1, row - 1)}${column}`;
  if (direction === 'down') return `${Math.min(board.rows, row + 1)}${column}`;
  const next = columns[columns.indexOf(column) + (direction === 'left' ? -1 : 1)];
  return `${row}${next ?? column}`;
}
