import type { Board, BoardPart, BoardWire } from '../board.ts';
import { columnsOn, holesIn, parseHole, type Side, type Strip } from '../holes.ts';
import { distance } from '../board-edits.ts';

/** Rows that a part covers in its column. */
interface Span {
  readonly column: string;
  readonly first: number;
  readonly last: number;
}

/** A board while parts are placed on it. */
export class Draft {
  readonly #board: Pick<Board, 'rows' | 'splitRails'>;
  readonly #parts: BoardPart[] = [];
  readonly #wires: BoardWire[] = [];
  readonly #used = new Set<string>();
  readonly #spans: Span[] = [];
  /** Strips of each node, the first opened first. */
  readonly #strips = new Map<string, Strip[]>();
  readonly #owner = new Map<Strip, string>();

  constructor(board: Pick<Board, 'rows' | 'splitRails'>) {
    this.#board = board;
  }

  get rows(): number {
    return this.#board.rows;
  }

  /** The board as it is now. */
  board(order: readonly string[]): Board {
    const at = new Map(order.map((id, index) => [id, index]));
    return {
      ...this.#board,
      parts: this.#parts.toSorted((a, b) => at.get(a.id)! - at.get(b.id)!),
      wires: this.#wires,
    };
  }

  stripsOf(node: string): readonly Strip[] {
    return this.#strips.get(node) ?? [];
  }

  ownerOf(strip: Strip): string | undefined {
    return this.#owner.get(strip);
  }

  /** Gives a strip to a node. */
  open(node: string, strip: Strip): void {
    this.#strips.set(node, [...this.stripsOf(node), strip]);
    this.#owner.set(strip, node);
  }

  free(strip: Strip): string[] {
    return holesIn(this.#board, strip).filter((hole) => !this.#used.has(hole));
  }

  /** Keeps a hole from being used for something else. */
  reserve(hole: string): void {
    this.#used.add(hole);
  }

  wire(from: string, to: string): void {
    this.#wires.push({ from, to });
    this.#used.add(from).add(to);
  }

  /** Puts a part into two holes; its body covers the rows between them if they are in one column. */
  put(id: string, from: string, to: string): void {
    this.#parts.push({ id, from, to });
    this.#used.add(from).add(to);
    const [a, b] = [parseHole(from)!, parseHole(to)!];
    if (a.column === b.column && a.column.length === 1)
      this.#spans.push({ column: a.column, first: Math.min(a.row, b.row), last: Math.max(a.row, b.row) });
  }

  /** Returns the free hole of a node that is nearest to another hole, and the number of holes that are free. */
  nearestFree(node: string, near: string): { readonly hole: string | null; readonly count: number } {
    const free = this.stripsOf(node).flatMap((strip) => this.free(strip));
    const hole = free.reduce<string | null>(
      (best, one) => (best === null || this.#reach(one, near) < this.#reach(best, near) ? one : best),
      null,
    );
    return { hole, count: free.length };
  }

  /** Length of a wire, longer if bodies of parts lie between its ends in its row. */
  #reach(a: string, b: string): number {
    return distance(a, b) + crossingLength * this.crossings(a, b);
  }

  /** Returns the number of parts that a wire or part from hole to hole crosses, as far as it runs along a row or a column. */
  crossings(a: string, b: string): number {
    const [one, two] = [parseHole(a)!, parseHole(b)!];
    const [low, high] = [one, two].map(({ column }) => place(column)).sort((p, q) => p - q) as [number, number];
    const [first, last] = [Math.min(one.row, two.row), Math.max(one.row, two.row)];
    if (one.column === two.column)
      return this.#spans.filter((span) => span.column === one.column && span.first <= last && span.last >= first)
        .length;
    return this.#spans.filter(
      ({ column, first, last }) =>
        place(column) > low && place(column) < high && first <= two.row && two.row <= last && one.row === two.row,
    ).length;
  }

  /**
   * Returns the column of a side in which a part fits between two rows, the one with the most room beside it first.
   *
   * @returns null if all are taken
   */
  columnFor(side: Side, rowA: number, rowB: number): string | null {
    const [first, last] = rowA < rowB ? [rowA, rowB] : [rowB, rowA];
    const beside = this.#spans.filter((span) => span.first <= last && span.last >= first);
    let best: { readonly column: string; readonly room: number } | null = null;
    for (const column of columnsOn(side)) {
      if (this.#used.has(`${rowA}${column}`) || this.#used.has(`${rowB}${column}`)) continue;
      const room = Math.min(mostRoom, ...beside.map((span) => Math.abs(place(span.column) - place(column))));
      if (room > (best?.room ?? 0)) best = { column, room };
    }
    return best && best.column;
  }

  /** Returns whether a node may use a strip: it is still free, or the node's own. */
  isOpenTo(strip: Strip, node: string): boolean {
    const owner = this.ownerOf(strip);
    return owner === undefined || owner === node;
  }
}

/** Columns between two parts side by side beyond which more room makes no difference: label and body fit. */
const mostRoom = 2;

/** Length in pitches by which a wire may be longer to avoid crossing a part. */
const crossingLength = 20;

/** Place of a column across the board. */
const place = (column: string): number =>
  column.length === 2
    ? { 'L+': -3, 'L-': -2, 'R+': 13, 'R-': 14 }[column]!
    : column.charCodeAt(0) - 97 + (column > 'e' ? 1 : 0);
