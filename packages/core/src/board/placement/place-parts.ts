import { isSource, nodesOf, type Element, type Network } from '../../network/index.ts';
import { type Board, usualRows } from '../board.ts';
import { distance } from '../board-edits.ts';
import { lastUpperRow, type RailName, type Side, type Strip } from '../holes.ts';
import { Draft } from './draft.ts';
import { nodeOrder } from './node-order.ts';

/** Rows between the legs of a part, at least: its body has to fit. */
const leastSpan = 3;
/** Rows between two nodes: no more even if there is room. */
const mostGap = 6;

/** The board's rails and the nodes of the first voltage source that they carry. */
interface Supply {
  readonly plus: string;
  readonly minus: string;
  readonly id: string;
}

/**
 * Places all parts of a network on a board: the first voltage source on the rails, a row for each other node in an order in which
 * parts join near rows, and parts side by side between them. A node has further rows, with a wire, if it has more ends than holes
 * or if no column is free.
 *
 * @param rows  number of rows that the board should have
 * @returns the board, with the next usual size on which everything has room; null if the largest is too small
 */
export function placeParts(network: Network, rows: number, splitRails = false): Board | null {
  const sizes = [rows, ...usualRows.filter((usual) => usual > rows)];
  for (const size of sizes) {
    const board = new Placement(network, size, splitRails).board();
    if (board) return board;
  }
  return null;
}

/** Thrown inside a placement if the board has no room left. */
class NoRoom extends Error {}

class Placement {
  readonly #network: Network;
  readonly #draft: Draft;
  readonly #supply: Supply | null;
  /** Row of each node that is not on a rail. */
  readonly #row = new Map<string, number>();
  readonly #isSplit: boolean;

  constructor(network: Network, rows: number, splitRails: boolean) {
    this.#network = network;
    this.#isSplit = splitRails;
    this.#draft = new Draft({ rows, ...(splitRails && { splitRails: true }) });
    const source = network.elements.find(({ kind, from, to }) => kind === 'source' && from !== to);
    this.#supply = source ? { plus: source.from, minus: source.to, id: source.id } : null;
  }

  board(): Board | null {
    try {
      this.#place();
    } catch (error) {
      if (error instanceof NoRoom) return null;
      throw error;
    }
    return this.#draft.board(this.#network.elements.map(({ id }) => id));
  }

  #place(): void {
    const { elements } = this.#network;
    this.#placeSupply();
    this.#chooseRows();
    const rest = elements.filter(({ id }) => id !== this.#supply?.id);
    const rigid = rest.filter((element) => !isFlexible(element));
    for (const element of rigid.toSorted((a, b) => this.#turn(a) - this.#turn(b))) this.#placeRigid(element);
    for (const element of rest.filter(isFlexible)) this.#placeFlexible(element);
  }

  /** The supply's two leads on the left rails, whose halves are joined. */
  #placeSupply(): void {
    if (!this.#supply) return;
    const { plus, minus, id } = this.#supply;
    this.#openRail(plus, 'L+');
    this.#openRail(minus, 'L-');
    this.#draft.put(id, '1L+', '1L-');
  }

  #openRail(node: string, rail: RailName): void {
    if (!this.#isSplit) return this.#draft.open(node, rail);
    const middle = lastUpperRow(this.#draft);
    this.#draft.open(node, `${rail}1`);
    this.#draft.open(node, `${rail}2`);
    this.#draft.wire(`${middle}${rail}`, `${middle + 1}${rail}`);
  }

  #isOnRail(node: string): boolean {
    return node === this.#supply?.plus || node === this.#supply?.minus;
  }

  #chooseRows(): void {
    const nodes = nodesOf(this.#network).filter((node) => !this.#isOnRail(node));
    // Above and below them rows for the two nodes of the supply.
    const around = this.#supply ? 2 : 0;
    const gap = Math.min(mostGap, Math.floor((this.#draft.rows - 2) / (nodes.length - 1 + around)));
    const first = this.#supply ? 2 + Math.max(leastSpan, gap) : 1;
    if (nodes.length > 1 && (gap < 1 || first + gap * (nodes.length - 1) > this.#draft.rows)) throw new NoRoom();
    nodeOrder(this.#network, nodes).forEach((node, index) => this.#row.set(node, first + gap * index));
  }

  /**
   * Returns the turn of a part in placing, the lowest first: parts between near rows, which have the least choice, then those to a
   * rail. Of these the lowest of the − node and the highest of the + node come first, so that the others find a row that they can
   * share.
   */
  #turn({ from, to }: Element): number {
    const [a, b] = [this.#row.get(from), this.#row.get(to)];
    if (a !== undefined && b !== undefined) return Math.abs(a - b);
    const isPlus = from === this.#supply?.plus || to === this.#supply?.plus;
    const row = a ?? b ?? 0;
    return this.#draft.rows + (isPlus ? row : this.#draft.rows - row);
  }

  #placeRigid(element: Element): void {
    const { id, from, to } = element;
    if (from === to) return this.#placeFlexible(element);
    for (const side of ['left', 'right'] as const) {
      const rows = this.#rowsFor(from, to, side);
      if (rows === null) continue;
      // The part first: the wires take the holes that it leaves.
      this.#draft.put(id, `${rows.from}${rows.column}`, `${rows.to}${rows.column}`);
      this.#openRow(from, rows.from, side);
      this.#openRow(to, rows.to, side);
      return;
    }
    this.#placeApart(element);
  }

  /** Returns the two rows of a part on a side and its column; null if there is no room for it between its nodes' rows. */
  #rowsFor(
    from: string,
    to: string,
    side: Side,
  ): { readonly from: number; readonly to: number; readonly column: string } | null {
    for (const a of this.#rowsOf(from, side, this.#row.get(to)))
      for (const b of this.#rowsOf(to, side, a)) {
        if (Math.abs(a - b) < leastSpan) continue;
        const column = this.#draft.columnFor(side, a, b);
        if (column !== null) return { from: a, to: b, column };
      }
    return null;
  }

  /**
   * Returns the rows of a side that a node may use, the best first: its own row; for a node on a rail its rows near by, then free
   * ones. One hole of each stays free for a wire.
   */
  #rowsOf(node: string, side: Side, near: number | undefined): number[] {
    const isFree = (row: number): boolean => {
      const strip = stripAt(row, side);
      return this.#draft.isOpenTo(strip, node) && this.#draft.free(strip).length > 1;
    };
    const own = this.#row.get(node);
    if (own !== undefined) return isFree(own) ? [own] : [];
    const taken = new Set(this.#row.values());
    const middle = near ?? (node === this.#supply?.plus ? 1 : this.#draft.rows);
    // Current flows downwards: the rows of the + node are above, those of the − node below, unless there is no room.
    const ahead = node === this.#supply?.plus ? -1 : 1;
    const all = Array.from({ length: this.#draft.rows }, (_, k) => k + 1).filter(
      (row) => isFree(row) && !taken.has(row),
    );
    const cost = (row: number): number => {
      const isOpen = this.#draft.ownerOf(stripAt(row, side)) === node;
      const away = Math.abs(row - middle);
      const isBehind = Math.sign(row - middle) === -ahead;
      return away + (isOpen ? 0 : newRowCost) + (isBehind ? behindCost : 0) + 2 * Math.max(0, mostGap - away);
    };
    return all.sort((a, b) => cost(a) - cost(b)).slice(0, rowsTried);
  }

  /** Makes a row carry a node: a wire to its rail, or across the gap to its row on the other side. */
  #openRow(node: string, row: number, side: Side): void {
    const strip = stripAt(row, side);
    if (this.#draft.ownerOf(strip) === node) return;
    const isFirst = this.#draft.stripsOf(node).length === 0;
    if (!isFirst) this.#connect(node, strip);
    this.#draft.open(node, strip);
  }

  /** Wires a strip with nothing in it to the nearest free hole of a node. */
  #connect(node: string, strip: Strip): void {
    const holes = this.#draft.free(strip);
    const near = holes.map((hole) => ({ hole, to: this.#draft.nearestFree(node, hole).hole }));
    const best = near
      .filter(({ to }) => to !== null)
      .sort(
        (a, b) =>
          this.#draft.crossings(a.hole, a.to!) - this.#draft.crossings(b.hole, b.to!) ||
          distance(a.hole, a.to!) - distance(b.hole, b.to!),
      )[0];
    if (!best) throw new NoRoom();
    this.#draft.wire(best.hole, best.to!);
  }

  /** Places a part in two rows of its own, with wires to its nodes. */
  #placeApart({ id, from, to }: Element): void {
    const taken = new Set(this.#row.values());
    for (let row = 1; row + leastSpan <= this.#draft.rows; row += 1)
      for (const side of ['left', 'right'] as const) {
        const rows = [row, row + leastSpan];
        const strips = rows.map((one) => stripAt(one, side));
        if (rows.some((one) => taken.has(one)) || strips.some((one) => this.#draft.ownerOf(one) !== undefined))
          continue;
        const column = this.#draft.columnFor(side, row, row + leastSpan);
        if (column === null) continue;
        this.#draft.put(id, `${row}${column}`, `${row + leastSpan}${column}`);
        this.#openRow(from, row, side);
        this.#openRow(to, row + leastSpan, side);
        return;
      }
    throw new NoRoom();
  }

  /** Places a part whose leads reach everywhere: a source, a link, and a part with both ends on one node. */
  #placeFlexible({ id, from, to }: Element): void {
    const first = this.#holeFor(from, `${this.#row.get(from) ?? 1}a`);
    this.#draft.reserve(first);
    this.#draft.put(id, first, this.#holeFor(to, first));
  }

  /** Returns a free hole of a node, after which another one is free for a wire; the node has another row if need be. */
  #holeFor(node: string, near: string): string {
    if (this.#draft.stripsOf(node).length === 0) this.#draft.open(node, this.#emptyStrip(node));
    if (this.#draft.nearestFree(node, near).count < 2) {
      const strip = this.#emptyStrip(node);
      this.#connect(node, strip);
      this.#draft.open(node, strip);
    }
    const { hole } = this.#draft.nearestFree(node, near);
    if (hole === null) throw new NoRoom();
    return hole;
  }

  /** Returns a row that is still free: the node's own, otherwise the nearest one. */
  #emptyStrip(node: string): Strip {
    const own = this.#row.get(node);
    const taken = new Set(this.#row.values());
    const all = Array.from({ length: this.#draft.rows }, (_, k) => k + 1)
      .filter((row) => row === own || !taken.has(row))
      .sort((a, b) => Math.abs(a - (own ?? 1)) - Math.abs(b - (own ?? 1)))
      .flatMap((row) => (['left', 'right'] as const).map((side) => stripAt(row, side)));
    const strip = all.find((one) => this.#draft.ownerOf(one) === undefined);
    if (strip === undefined) throw new NoRoom();
    return strip;
  }
}

/** Cost in rows of another row with a wire, and of a row on the other side of the part's node. */
const newRowCost = 8;
const behindCost = 12;
/** Rows that are tried for a part, the best first. */
const rowsTried = 12;

const isFlexible = (element: Element): boolean => isSource(element) || element.kind === 'link';

const stripAt = (row: number, side: Side): Strip => `${row}${side === 'left' ? 'L' : 'R'}`;
