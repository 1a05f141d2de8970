/** Neighbours of every point, one list after the other: those of `p` are from start[p] to start[p + 1]. */
export interface Adjacency {
  readonly start: Int32Array;
  readonly neighbours: Int32Array;
}

/** The adjacency of a graph given by the two ends of each edge. */
export function adjacencyOf(points: number, from: Int32Array, to: Int32Array): Adjacency {
  const start = new Int32Array(points + 1);
  for (let edge = 0; edge < from.length; edge += 1) {
    start[from[edge]! + 1]! += 1;
    start[to[edge]! + 1]! += 1;
  }
  for (let point = 0; point < points; point += 1) start[point + 1]! += start[point]!;
  const neighbours = new Int32Array(2 * from.length);
  const next = start.slice(0, points);
  for (let edge = 0; edge < from.length; edge += 1) {
    neighbours[next[from[edge]!]!++] = to[edge]!;
    neighbours[next[to[edge]!]!++] = from[edge]!;
  }
  return { start, neighbours };
}

/**
 * An order of elimination that fills in little: nested dissection (George 1973) by breadth-first levels. The middle level of a
 * part cuts it in two; both halves come first, each cut again, and the cut comes last.
 *
 * @returns the points in the order in which they are to be eliminated
 */
export function dissectionOrder(points: number, { start, neighbours }: Adjacency): Int32Array {
  const order = new Int32Array(points);
  /** The part that a point belongs to, and its level there. */
  const part = new Int32Array(points);
  const level = new Int32Array(points);
  let parts = 0;

  /** The points of one part in order of their distance from `first`, with the level of each noted; `from` marks them as `to`. */
  const spread = (first: number, from: number, to: number): number[] => {
    const reached = [first];
    part[first] = to;
    level[first] = 0;
    // The list grows while it is walked.
    for (const point of reached) {
      for (let i = start[point]!; i < start[point + 1]!; i += 1) {
        const other = neighbours[i]!;
        if (part[other] !== from) continue;
        part[other] = to;
        level[other] = level[point]! + 1;
        reached.push(other);
      }
    }
    return reached;
  };

  const waiting: { readonly members: readonly number[]; readonly end: number }[] = [
    { members: Array.from(order.keys()), end: points },
  ];
  for (let task = waiting.pop(); task; task = waiting.pop()) {
    const { members, end } = task;
    const own = ++parts;
    for (const point of members) part[point] = own;
    const set = spread(members[0]!, own, ++parts);
    if (set.length < members.length) {
      waiting.push({ members: set, end });
      waiting.push({ members: members.filter((point) => part[point] === own), end: end - set.length });
      continue;
    }
    // From the point farthest away the levels are the most and the narrowest; in a small part it does not matter.
    const reached = set.length < 100 ? set : spread(set[set.length - 1]!, parts, ++parts);
    const depth = level[reached[reached.length - 1]!]!;
    if (depth < 2 || reached.length <= 6) {
      reached.forEach((point, index) => (order[end - 1 - index] = point));
      continue;
    }
    const middle = Math.min(depth - 1, Math.max(1, level[reached[reached.length >> 1]!]!));
    const halves: [number[], number[]] = [[], []];
    let place = end;
    for (const point of reached) {
      const at = level[point]!;
      if (at === middle && reachesBeyond(point, middle)) order[--place] = point;
      else halves[at <= middle ? 0 : 1].push(point);
    }
    waiting.push({ members: halves[1], end: place }, { members: halves[0], end: place - halves[1].length });
  }
  return order;

  function reachesBeyond(point: number, middle: number): boolean {
    for (let i = start[point]!; i < start[point + 1]!; i += 1) {
      const other = neighbours[i]!;
      if (part[other] === part[point] && level[other] === middle + 1) return true;
    }
    return false;
  }
}
