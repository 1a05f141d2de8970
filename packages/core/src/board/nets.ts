import { type Board } from './board.ts';
import { stripOf, type Strip } from './holes.ts';

/** Strips of a board that wires join, in groups. */
export interface Nets {
  /** Returns a name for the group of a strip: one of its strips. */
  of(strip: Strip): Strip;
  /** Strips of a group that something is in. */
  strips(net: Strip): readonly Strip[];
}

/** Returns which strips the board's wires join. */
export function netsOf(board: Board): Nets {
  const parent = new Map<Strip, Strip>();
  const of = (strip: Strip): Strip => {
    let top = strip;
    for (let next = parent.get(top); next !== undefined; next = parent.get(top)) top = next;
    return top;
  };
  for (const { from, to } of board.wires) {
    const [a, b] = [of(stripOf(board, from)), of(stripOf(board, to))];
    if (a !== b) parent.set(b, a);
  }
  const used = new Set<Strip>();
  for (const { from, to } of board.wires) used.add(stripOf(board, from)).add(stripOf(board, to));
  for (const { from, to } of board.parts)
    for (const hole of [from, to]) if (hole !== undefined) used.add(stripOf(board, hole));
  const strips = new Map<Strip, Strip[]>();
  for (const strip of used) strips.set(of(strip), [...(strips.get(of(strip)) ?? []), strip]);
  return { of, strips: (net) => strips.get(net) ?? [] };
}
