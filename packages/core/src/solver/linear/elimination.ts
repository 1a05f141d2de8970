import { adjacencyOf, dissectionOrder } from './dissection.ts';

/** Places of all numbers of an elimination, computed once for a graph; values then run through it as often as needed. */
export interface EliminationPlan {
  readonly points: number;
  /** The point eliminated at each step, and the step of each point. */
  readonly order: Int32Array;
  readonly step: Int32Array;
  /** For each step the steps of what it is joined to when its turn comes, rising: from start[k] to start[k + 1]. */
  readonly start: Int32Array;
  readonly rows: Int32Array;
  /** For each edge its place in `rows`. */
  readonly places: Int32Array;
  /** First step of each bundle, and the end: steps that are joined to the next of them and beyond it to the same. */
  readonly bundles: Int32Array;
}

/**
 * Plans the elimination of a graph, sparse: only what will be joined has a place.
 *
 * @param from,to  the two different ends of each edge
 * @param last     points that are to be eliminated last, the very last one at the end
 */
export function planElimination(
  points: number,
  from: Int32Array,
  to: Int32Array,
  last: readonly number[] = [],
): EliminationPlan {
  const adjacency = adjacencyOf(points, from, to);
  const free = dissectionOrder(points, adjacency).filter((point) => !last.includes(point));
  const order = new Int32Array(points);
  order.set(free);
  order.set(last, free.length);
  const step = new Int32Array(points);
  order.forEach((point, index) => (step[point] = index));

  // A step is joined to its own parts, and to those of the steps before that depend on it.
  const start = new Int32Array(points + 1);
  const joined: number[] = [];
  const firstHanging = new Int32Array(points).fill(-1);
  const nextHanging = new Int32Array(points);
  const seen = new Int32Array(points).fill(-1);
  for (let k = 0; k < points; k += 1) {
    let nearest = points;
    const meet = (row: number): void => {
      if (row <= k || seen[row] === k) return;
      seen[row] = k;
      joined.push(row);
      nearest = Math.min(nearest, row);
    };
    const point = order[k]!;
    for (let i = adjacency.start[point]!; i < adjacency.start[point + 1]!; i += 1)
      meet(step[adjacency.neighbours[i]!]!);
    for (let child = firstHanging[k]!; child !== -1; child = nextHanging[child]!)
      for (let i = start[child]!; i < start[child + 1]!; i += 1) meet(joined[i]!);
    start[k + 1] = joined.length;
    if (nearest === points) continue;
    nextHanging[k] = firstHanging[nearest]!;
    firstHanging[nearest] = k;
  }
  const rows = rising(start, Int32Array.from(joined));
  const places = placesOf(from, to, step, start, rows);
  return { points, order, step, start, rows, places, bundles: bundlesOf(start, rows) };
}

/** The same lists, each in rising order: two transpositions sort them all at once. */
function rising(start: Int32Array, rows: Int32Array): Int32Array {
  const byRow = transposed(start, rows);
  return transposed(byRow.start, byRow.rows).rows;
}

function transposed(start: Int32Array, rows: Int32Array): { readonly start: Int32Array; readonly rows: Int32Array } {
  const columns = start.length - 1;
  const begin = new Int32Array(columns + 1);
  for (const row of rows) begin[row + 1]! += 1;
  for (let row = 0; row < columns; row += 1) begin[row + 1]! += begin[row]!;
  const next = begin.slice(0, columns);
  const transposed = new Int32Array(rows.length);
  for (let column = 0; column < columns; column += 1)
    for (let i = start[column]!; i < start[column + 1]!; i += 1) transposed[next[rows[i]!]!++] = column;
  return { start: begin, rows: transposed };
}

function bundlesOf(start: Int32Array, rows: Int32Array): Int32Array {
  const points = start.length - 1;
  const bundles: number[] = [];
  for (let k = 0; k < points; k += 1) {
    const before = k > 0 ? start[k]! - start[k - 1]! : 0;
    const goesOn = before === start[k + 1]! - start[k]! + 1 && rows[start[k - 1]!] === k;
    if (!goesOn) bundles.push(k);
  }
  return Int32Array.from([...bundles, points]);
}

function placesOf(from: Int32Array, to: Int32Array, step: Int32Array, start: Int32Array, rows: Int32Array): Int32Array {
  return from.map((point, edge) => {
    const [a, b] = [step[point]!, step[to[edge]!]!];
    const row = Math.max(a, b);
    let [low, high] = [start[Math.min(a, b)]!, start[Math.min(a, b) + 1]! - 1];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (rows[middle]! < row) low = middle + 1;
      else high = middle;
    }
    return low;
  });
}

/**
 * Conductances eliminated point by point by the star–mesh transformation in plain doubles, along a plan.
 *
 * The sum of a star is formed from its conductances, never by subtraction from a diagonal (Grassmann, Taillon and Heyman 1985
 * for Markov chains): every figure is right to a few units of the last place, however far apart the resistances are.
 */
export class Elimination {
  /** By place in the plan's rows: S between a step and a row, and its share of the star. */
  private readonly conductance: Float64Array;
  private readonly share: Float64Array;
  /** S of each star in all. 0 if nothing was left to join: the last point of a disjoint set. */
  readonly total: Float64Array;
  private readonly work: Float64Array;
  /** Bundles whose next row is a step, as lists: the first at the step, the next of each, and how many rows it has left. */
  private readonly list: Int32Array;
  private readonly next: Int32Array;
  private readonly left: Int32Array;

  constructor(private readonly plan: EliminationPlan) {
    const { points, rows, bundles } = plan;
    this.conductance = new Float64Array(rows.length);
    this.share = new Float64Array(rows.length);
    this.total = new Float64Array(points);
    this.work = new Float64Array(points);
    this.list = new Int32Array(points);
    this.next = new Int32Array(bundles.length);
    this.left = new Int32Array(bundles.length);
  }

  /** Runs conductances through, S by edge of the plan; edges in parallel add up. */
  run(edges: ArrayLike<number>): void {
    const { plan, conductance: g, share, total, work, next, list, left } = this;
    const { start, rows, places, bundles } = plan;
    g.fill(0);
    for (let edge = 0; edge < edges.length; edge += 1) g[places[edge]!]! += edges[edge]!;
    list.fill(-1);
    for (let own = 0; own + 1 < bundles.length; own += 1) {
      const last = bundles[own + 1]! - 1;
      for (let k = bundles[own]!; k <= last; k += 1) {
        const begin = start[k]!;
        const end = start[k + 1]!;
        for (let p = begin; p < end; p += 1) work[rows[p]!] = g[p]!;
        this.spread(bundles[own]!, k, end - begin);
        for (let bundle = list[k]!; bundle !== -1;) {
          const following = next[bundle]!;
          left[bundle]! -= 1;
          this.spread(bundles[bundle]!, bundles[bundle + 1]!, left[bundle]!);
          this.hang(bundle);
          bundle = following;
        }
        let sum = 0;
        for (let p = begin; p < end; p += 1) sum += g[p] = work[rows[p]!]!;
        total[k] = sum;
        for (let p = begin; p < end; p += 1) share[p] = g[p]! / sum;
      }
      left[own] = start[last + 1]! - start[last]!;
      this.hang(own);
    }
  }

  /** Adds what steps of a bundle leave between their next row and the `after` rows that follow it, four at a time. */
  private spread(first: number, end: number, after: number): void {
    const { share, conductance: g, work } = this;
    const { start, rows } = this.plan;
    let k = first;
    for (; k + 3 < end; k += 4) {
      const a = start[k + 1]! - after;
      const b = start[k + 2]! - after;
      const c = start[k + 3]! - after;
      const d = start[k + 4]! - after;
      const [shareA, shareB, shareC, shareD] = [share[a - 1]!, share[b - 1]!, share[c - 1]!, share[d - 1]!];
      for (let i = 0; i < after; i += 1)
        work[rows[a + i]!]! += shareA * g[a + i]! + shareB * g[b + i]! + shareC * g[c + i]! + shareD * g[d + i]!;
    }
    for (; k < end; k += 1) {
      const a = start[k + 1]! - after;
      const shareA = share[a - 1]!;
      for (let i = 0; i < after; i += 1) work[rows[a + i]!]! += shareA * g[a + i]!;
    }
  }

  /** S that is left between the two last points. */
  lastConductance(): number {
    const { points } = this.plan;
    return points < 2 ? 0 : this.total[points - 2]!;
  }

  /**
   * Potentials for currents driven into the points, by step, in place. The last point of each disjoint set is at `v`.
   *
   * @param currents  A into each step's point
   * @param until     steps from here on keep the potential that `v` has
   */
  potentials(currents: Float64Array, v: Float64Array, until = this.plan.points): void {
    const { start, rows } = this.plan;
    const { share, total } = this;
    for (let k = 0; k < until; k += 1) {
      const current = currents[k]!;
      if (current === 0) continue;
      for (let p = start[k]!; p < start[k + 1]!; p += 1) currents[rows[p]!]! += share[p]! * current;
    }
    for (let k = until - 1; k >= 0; k -= 1) {
      if (total[k] === 0) continue;
      let value = currents[k]! / total[k]!;
      for (let p = start[k]!; p < start[k + 1]!; p += 1) value += share[p]! * v[rows[p]!]!;
      v[k] = value;
    }
  }

  /** Puts a bundle to the list of its next row, if any is left. */
  private hang(bundle: number): void {
    const { list, next, left, plan } = this;
    if (left[bundle] === 0) return;
    const row = plan.rows[plan.start[plan.bundles[bundle + 1]!]! - left[bundle]!]!;
    next[bundle] = list[row]!;
    list[row] = bundle;
  }
}
