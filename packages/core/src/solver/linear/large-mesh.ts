import { DoubleDoubleArray, exactly, multiply, subtract, type DoubleDouble } from './double-double.ts';
import { Elimination, planElimination, type EliminationPlan } from './elimination.ts';
import type { Edge } from './star-mesh.ts';

/** Share of the largest current that a refined solution leaves: done, expected to be done with one round more, and enough. */
const [done, doneNext, enough] = [1e-29, 1e-30, 1e-22];

/**
 * A mesh too large to be reduced in double-doubles throughout: eliminated once in doubles, sparse, and the potentials then
 * refined against the currents that are left over at each point, which are summed in double-doubles.
 *
 * It answers as a reduced `StarMesh` does. Where the refinement does not settle, `potentials` gives null.
 */
export class LargeMesh {
  private readonly a: Int32Array;
  private readonly b: Int32Array;
  private readonly g = new DoubleDoubleArray();
  private readonly f = new DoubleDoubleArray();
  private readonly plan: EliminationPlan;
  private readonly elimination: Elimination;
  private settled = true;

  /** @param last  points to be kept: the reference, or two terminals */
  constructor(
    private readonly points: number,
    edges: readonly Edge[],
    private readonly last: readonly number[],
  ) {
    this.a = Int32Array.from(edges, ({ a }) => a);
    this.b = Int32Array.from(edges, ({ b }) => b);
    for (const { g, f } of edges) {
      this.g.push(g.hi, g.lo);
      this.f.push(f.hi, f.lo);
    }
    this.plan = planElimination(points, this.a, this.b, last);
    this.elimination = new Elimination(this.plan);
    this.elimination.run(this.g.hi);
  }

  /** Between the two terminals that were kept: conductance to a double's digits, and drive; null if nothing joins them. */
  between(a: number): { readonly g: DoubleDouble; readonly f: DoubleDouble } | null {
    const conductance = this.elimination.lastConductance();
    if (conductance === 0) return null;
    const open = this.refine(new Map([[this.last[1]!, exactly(0)]]), this.points - 1);
    const g = exactly(conductance);
    const f = multiply(g, open.at(this.last[0]!));
    return { g, f: a === this.last[0] ? f : { hi: -f.hi, lo: -f.lo } };
  }

  /** Potentials of all points from those of the points that are kept; null if they do not settle. */
  potentials(known: ReadonlyMap<number, DoubleDouble>): DoubleDoubleArray | null {
    const v = this.refine(known, this.points - this.last.length);
    return this.settled ? v : null;
  }

  private refine(known: ReadonlyMap<number, DoubleDouble>, until: number): DoubleDoubleArray {
    const { points, plan, elimination } = this;
    const v = new DoubleDoubleArray(points);
    for (const [point, value] of known) v.set(point, value);
    const correction = new Float64Array(points);
    let former = Infinity;
    for (let round = 0; round < 12; round += 1) {
      const left = this.leftOver(v);
      correction.fill(0);
      elimination.potentials(left, correction, until);
      let size = 0;
      let largest = 0;
      for (let k = 0; k < until; k += 1) {
        const point = plan.order[k]!;
        v.add(point, correction[k]!, 0);
        size = Math.max(size, Math.abs(correction[k]!));
        largest = Math.max(largest, Math.abs(v.hi[point]!));
      }
      // Each round shrinks what is left by about the same factor: when the next would change nothing, this was the last.
      if (size <= done * largest || (round > 0 && size * (size / former) <= doneNext * largest)) return v;
      if (round > 1 && !(size <= 0.1 * former)) {
        this.settled &&= size <= enough * largest;
        return v;
      }
      former = size;
    }
    this.settled = false;
    return v;
  }

  /** A that flows into each point and finds no way out at these potentials, by step. */
  private leftOver(v: DoubleDoubleArray): Float64Array {
    const { a, b, g, f, plan } = this;
    const sum = new DoubleDoubleArray(plan.points);
    for (let edge = 0; edge < a.length; edge += 1) {
      const [p, q] = [a[edge]!, b[edge]!];
      const across = subtract(v.at(p), v.at(q));
      sum.addProduct(p, -g.hi[edge]!, -g.lo[edge]!, across.hi, across.lo);
      sum.addProduct(q, g.hi[edge]!, g.lo[edge]!, across.hi, across.lo);
      if (f.hi[edge] === 0) continue;
      sum.add(p, f.hi[edge]!, f.lo[edge]!);
      sum.add(q, -f.hi[edge]!, -f.lo[edge]!);
    }
    const left = new Float64Array(plan.points);
    for (let k = 0; k < plan.points; k += 1) left[k] = sum.hi[plan.order[k]!]!;
    return left;
  }
}
