import type { Network } from '../network/index.ts';
import { buildOrder } from './build-order.ts';

/** A row of holes that are joined. */
interface BoardRow {
  /** From 1. */
  readonly row: number;
  readonly node: string;
  /** Ends in it. */
  readonly legs: readonly string[];
}

/** A wire from one row to another. */
interface BoardLink {
  readonly from: number;
  readonly to: number;
  /** Link of the network that it represents; null if one node continues in another row. */
  readonly element: string | null;
}

/** Rows of a strip board with the parts and links on them. */
export interface StripBoard {
  readonly rows: readonly BoardRow[];
  readonly links: readonly BoardLink[];
  /** Parts with both legs in one node: the board shorts them. */
  readonly shorted: readonly string[];
}

/**
 * A network laid out on a strip board: a row a node, in the order of building; a node with more legs than a row has holes goes
 * on in another, with a link. Links of the network become links between rows.
 *
 * @param holes  in a row
 */
export function stripBoard(network: Network, holes = 5): StripBoard {
  const order = buildOrder(network).map(({ element }) => element);
  const legs = new Map<string, string[]>();
  for (const { id, kind, from, to } of order)
    for (const [side, node] of [
      ['from', from],
      ['to', to],
    ] as const) {
      const there = legs.get(node) ?? [];
      if (kind !== 'link') there.push(`${id}.${side}`);
      legs.set(node, there);
    }
  const rows: BoardRow[] = [];
  const links: BoardLink[] = [];
  const firstRow = new Map<string, number>();
  for (const [node, ends] of legs) {
    // One hole of each row is left for a link.
    const perRow = Math.max(1, holes - 1);
    const count = Math.max(1, Math.ceil(ends.length / perRow));
    for (let k = 0; k < count; k += 1) {
      const row = rows.length + 1;
      rows.push({ row, node, legs: ends.slice(k * perRow, (k + 1) * perRow) });
      if (k > 0) links.push({ from: row - 1, to: row, element: null });
      if (k === 0) firstRow.set(node, row);
    }
  }
  for (const { id, kind, from, to } of order)
    if (kind === 'link' && from !== to) links.push({ from: firstRow.get(from)!, to: firstRow.get(to)!, element: id });
  const shorted = order.filter(({ kind, from, to }) => kind !== 'link' && from === to).map(({ id }) => id);
  return { rows, links, shorted };
}
