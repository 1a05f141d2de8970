import type { Board } from './board.ts';
import { usedHoles } from './board-faults.ts';
import { columnsOn, holeName, holesIn, parseHole, rowsOf, stripOf, type Strip } from './holes.ts';
import type { Leg } from './match-nodes.ts';
import { netsOf, type Nets } from './nets.ts';

/** Puts a leg of a part into a hole, or into none. */
export function putLeg(board: Board, id: string, leg: Leg, hole: string | null): Board {
  const before = board.parts.find((part) => part.id === id) ?? { id };
  const { [leg]: _before, ...rest } = before;
  return putPart(board, hole === null ? rest : { ...rest, [leg]: hole });
}

/** Replaces the holes of a part; a part without a hole is removed from the board. */
export function putPart(board: Board, part: Board['parts'][number]): Board {
  const isOn = part.from !== undefined || part.to !== undefined;
  const isKnown = board.parts.some(({ id }) => id === part.id);
  if (!isOn) return { ...board, parts: board.parts.filter(({ id }) => id !== part.id) };
  return {
    ...board,
    parts: isKnown ? board.parts.map((one) => (one.id === part.id ? part : one)) : [...board.parts, part],
  };
}

/** Adds a wire. */
export const addWire = (board: Board, from: string, to: string): Board => ({
  ...board,
  wires: [...board.wires, { from, to }],
});

/** Removes the wire that has an end in a hole. */
export const removeWire = (board: Board, hole: string): Board => ({
  ...board,
  wires: board.wires.filter(({ from, to }) => from !== hole && to !== hole),
});

/** Moves the leg or wire end in a hole to another hole, which is free; unchanged if the hole is empty. */
export function moveHole(board: Board, hole: string, to: string): Board {
  const moved = (one: string): string => (one === hole ? to : one);
  return {
    ...board,
    parts: board.parts.map((part) =>
      part.from === hole || part.to === hole
        ? {
            ...part,
            ...(part.from !== undefined && { from: moved(part.from) }),
            ...(part.to !== undefined && { to: moved(part.to) }),
          }
        : part,
    ),
    wires: board.wires.map((wire) =>
      wire.from === hole || wire.to === hole ? { from: moved(wire.from), to: moved(wire.to) } : wire,
    ),
  };
}

/** Rows between the legs of a part that is put on the board: its body has room there. */
const bodyLength = 4;

/** Returns the hole of the same column that is a body's length away. */
export function bodyAway({ rows }: Pick<Board, 'rows'>, hole: string): string {
  const { row, column } = parseHole(hole)!;
  return holeName({ row: row + bodyLength <= rows ? row + bodyLength : row - bodyLength, column });
}

/** Puts a part's first leg into a hole and its second one into the free hole nearest to a body's length away. */
export function dropPart(board: Board, id: string, hole: string): Board {
  const first = putPart(board, { id, from: hole });
  const away = bodyAway(board, hole);
  const used = new Set(usedHoles(first));
  const column = parseHole(hole)!.column;
  const free = Array.from({ length: board.rows }, (_, k) => `${k + 1}${column}`).filter((one) => !used.has(one));
  const second = free.sort((a, b) => distance(a, away) - distance(b, away))[0];
  return second === undefined ? first : putLeg(first, id, 'to', second);
}

/** Moves both legs of a part by the same rows and columns as its first one to `hole`; unchanged if a hole is taken or missing. */
export function movePart(board: Board, id: string, hole: string): Board {
  const part = board.parts.find((one) => one.id === id);
  const [from, to] = [part?.from && parseHole(part.from), part?.to && parseHole(part.to)];
  const target = parseHole(hole);
  if (!part || !from || !to || !target) return board;
  const shift = columns.indexOf(target.column) - columns.indexOf(from.column);
  const row = to.row + target.row - from.row;
  const column = columns[columns.indexOf(to.column) + shift];
  if (!column || row < 1 || row > board.rows) return board;
  const second = holeName({ row, column });
  const used = new Set(usedHoles(putPart(board, { id })));
  return used.has(hole) || used.has(second) ? board : putPart(board, { id, from: hole, to: second });
}

/** Exchanges the places of two parts. */
export function exchangeParts(board: Board, a: string, b: string): Board {
  const names: Readonly<Record<string, string>> = { [a]: b, [b]: a };
  return { ...board, parts: board.parts.map((part) => ({ ...part, id: names[part.id] ?? part.id })) };
}

/** Exchanges the two legs of a part. */
export const turnPart = (board: Board, id: string): Board => ({
  ...board,
  parts: board.parts.map((part) =>
    part.id === id
      ? {
          id,
          ...(part.to !== undefined && { from: part.to }),
          ...(part.from !== undefined && { to: part.from }),
        }
      : part,
  ),
});

/** Columns from left to right; an empty one is the gap, or the space beside a rail. */
const columns: readonly string[] = ['L+', 'L-', '', ...columnsOn('left'), '', ...columnsOn('right'), '', 'R+', 'R-'];

/** Returns the distance of two holes in pitches. */
export function distance(a: string, b: string): number {
  const [one, two] = [parseHole(a)!, parseHole(b)!];
  return Math.hypot(one.row - two.row, columns.indexOf(one.column) - columns.indexOf(two.column));
}

/** Returns the free hole of a group of strips that is nearest to a hole; null if the group is full. */
export function freeHole(board: Board, nets: Nets, net: Strip, near: string | null): string | null {
  const strips = nets.strips(net);
  return nearest(board, strips.length > 0 ? strips : [net], near);
}

/** A board, and a hole of it that is free. */
export interface Room {
  readonly board: Board;
  readonly hole: string;
}

/**
 * Returns a free hole of a group of strips. If the group is full, the leg or wire end in its nearest hole moves to an empty row, and
 * a wire to that row takes its place.
 *
 * @param near  hole that the free one should be near to
 * @returns null if the board has no empty row left
 */
export function roomIn(board: Board, net: Strip, near: string | null): Room | null {
  const nets = netsOf(board);
  const free = freeHole(board, nets, nets.of(net), near);
  if (free !== null) return { board, hole: free };
  const full = nets.strips(nets.of(net)).flatMap((strip) => holesIn(board, strip));
  const hole = near === null ? full.at(-1)! : full.reduce((a, b) => (distance(b, near) < distance(a, near) ? b : a));
  const empty = emptyRowHole(board, hole);
  if (empty === null) return null;
  const [first, second, third] = holesIn(board, stripOf(board, empty)) as [string, string, string];
  return { board: addWire(moveHole(board, hole, first), hole, second), hole: third };
}

/**
 * Returns a free hole for a leg: of a group of strips, or of an empty row if the leg's node has no group yet.
 *
 * @returns null if the board has no room for it
 */
export function placeFor(board: Board, net: Strip | null, near: string | null): Room | null {
  if (net !== null) return roomIn(board, net, near);
  const hole = emptyRowHole(board, near);
  return hole === null ? null : { board, hole };
}

/** Returns a hole of a row that has nothing in it, the nearest to a hole; null if there is none. */
export function emptyRowHole(board: Board, near: string | null): string | null {
  const used = new Set(usedHoles(board).map((hole) => stripOf(board, hole)));
  return nearest(
    board,
    rowsOf(board).filter((strip) => !used.has(strip)),
    near,
  );
}

function nearest(board: Board, strips: readonly Strip[], near: string | null): string | null {
  const used = new Set(usedHoles(board));
  let best: string | null = null;
  for (const strip of strips)
    for (const hole of holesIn(board, strip)) {
      if (used.has(hole)) continue;
      if (best === null || (near !== null && distance(hole, near) < distance(best, near))) best = hole;
    }
  return best;
}
