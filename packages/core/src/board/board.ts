/** A strip board: rows of five connected holes on both sides of a gap, two long rails on either edge, and what is plugged in. */
export interface Board {
  /** Number of rows. */
  readonly rows: number;
  /** The long rails are interrupted in the middle. */
  readonly splitRails?: true;
  readonly parts: readonly BoardPart[];
  readonly wires: readonly BoardWire[];
}

/** A part of the network on the board. */
export interface BoardPart {
  /** Id of the element. */
  readonly id: string;
  /** Hole of its first end; omitted if the end is in none. */
  readonly from?: string;
  /** Hole of its second end; omitted if the end is in none. */
  readonly to?: string;
}

/** A wire from hole to hole. */
export interface BoardWire {
  readonly from: string;
  readonly to: string;
}

/** Fewest and most rows of a board. */
export const boardRows = { least: 10, most: 120 } as const;

/** Sizes that are offered, in rows. */
export const usualRows: readonly number[] = [30, 60, 120];

/** A board with nothing on it. */
export const emptyBoard = (rows = usualRows[0]!): Board => ({ rows, parts: [], wires: [] });
