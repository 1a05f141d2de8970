import type { Circuit } from '../circuit.ts';
import { toNumber } from './double-double.ts';
import { Elimination, planElimination } from './elimination.ts';
import { DisjointSets } from './disjoint-sets.ts';
import { findSupernodes, type Supernodes } from './supernodes.ts';

/** A circuit laid out once and solved over and over with some of its resistances changed, in plain doubles. */
export interface QuickCircuit {
  /** Takes other resistances, Ω above zero, in the order of the branches that were named. */
  solve(resistances: ArrayLike<number>): void;
  /** Puts every source at rest and 1 V into one branch of finite resistance, the resistances as last solved. */
  drive(branch: number): void;
  /** Puts every source at rest and drives 1 A into one node and out of another. */
  inject(into: number, outOf: number): void;
  /** V of one node above another as last solved or driven; NaN if nothing joins them. */
  voltage(from: number, to: number): number;
  /** A from → to through a branch as last solved or driven; NaN if nothing determines it. */
  current(branch: number): number;
}

/** A linear circuit of which EMFs change too. */
export interface QuickLinear extends QuickCircuit {
  /** @param emfs  V, in the same order; as the circuit has them if omitted */
  solve(resistances: ArrayLike<number>, emfs?: ArrayLike<number>): void;
  /** The largest voltage across a resistance and the largest current in one, V and A. */
  largest(): { readonly voltage: number; readonly current: number };
}

/** Plans a circuit of straight lines for many solutions: each costs one sparse elimination and nothing is allocated. */
export function quickLinear(circuit: Circuit, varied: readonly number[]): QuickLinear | null {
  const joined = findSupernodes(circuit, -1);
  if (!joined.ok) return null;
  const supernodes = joined.value;
  const { branches } = circuit;
  const { groups, group } = supernodes;
  const offset = Float64Array.from(supernodes.offset, toNumber);

  const edges = branches.flatMap(({ kind, from, to }, index) =>
    kind === 'resistance' && group[from] !== group[to] ? [index] : [],
  );
  const ends = (side: 'from' | 'to') => Int32Array.from(edges, (index) => group[branches[index]![side]]!);
  const [from, to] = [ends('from'), ends('to')];
  const plan = planElimination(groups, from, to, [group[circuit.reference]!]);
  const elimination = new Elimination(plan);
  const sets = new DisjointSets(groups);
  from.forEach((a, edge) => sets.join(a, to[edge]!));

  const resistance = Float64Array.from(branches, (branch) => branch.resistance.hi);
  const emf = Float64Array.from(branches, (branch) => branch.emf.hi);
  const g = Float64Array.from(edges, (index) => 1 / resistance[index]!);
  const riseOf = (index: number): number => {
    const branch = branches[index]!;
    return emf[index]! + offset[branch.to]! - offset[branch.from]!;
  };
  const rise = Float64Array.from(edges, riseOf);
  const edgeOf = new Map(edges.map((index, edge) => [index, edge]));
  const variedEdges = Int32Array.from(varied, (index) => edgeOf.get(index) ?? -1);
  const driven = new Float64Array(groups);
  for (const branch of branches) {
    if (branch.kind !== 'current') continue;
    driven[plan.step[group[branch.from]!]!]! -= branch.current;
    driven[plan.step[group[branch.to]!]!]! += branch.current;
  }
  const currents = new Float64Array(groups);
  const v = new Float64Array(groups);

  /** The branch that is driven with the sources at rest, −1 if none is; null as solved. */
  let driving: number | null = null;
  const voltage = (a: number, b: number): number => {
    const [one, other] = [group[a]!, group[b]!];
    if (sets.of(one) !== sets.of(other)) return NaN;
    const between = v[plan.step[one]!]! - v[plan.step[other]!]!;
    return driving === null ? between + offset[a]! - offset[b]! : between;
  };
  const ownCurrent = (index: number): number => {
    const branch = branches[index]!;
    if (branch.kind === 'current') return driving === null ? branch.current : 0;
    if (branch.kind === 'open') return 0;
    const drop = driving === null ? emf[index]! : Number(driving === index);
    return (voltage(branch.from, branch.to) - drop) / resistance[index]!;
  };
  const feeders = new Map<number, readonly Feeder[] | null>();
  return {
    solve(resistances, emfs) {
      for (let k = 0; k < variedEdges.length; k += 1) {
        const index = varied[k]!;
        resistance[index] = resistances[k]!;
        if (emfs) emf[index] = emfs[k]!;
        if (variedEdges[k] === -1) continue;
        g[variedEdges[k]!] = 1 / resistances[k]!;
        if (emfs) rise[variedEdges[k]!] = riseOf(index);
      }
      elimination.run(g);
      driving = null;
      currents.set(driven);
      for (let edge = 0; edge < edges.length; edge += 1) {
        if (rise[edge] === 0) continue;
        const pushed = g[edge]! * rise[edge]!;
        currents[plan.step[from[edge]!]!]! += pushed;
        currents[plan.step[to[edge]!]!]! -= pushed;
      }
      v.fill(0);
      elimination.potentials(currents, v);
    },
    largest() {
      let [most, through] = [0, 0];
      for (const index of edges) {
        const branch = branches[index]!;
        const across = voltage(branch.from, branch.to);
        most = Math.max(most, Math.abs(across));
        through = Math.max(through, Math.abs(across - emf[index]!) / resistance[index]!);
      }
      return { voltage: most, current: through };
    },
    inject(into, outOf) {
      driving = -1;
      currents.fill(0);
      v.fill(0);
      currents[plan.step[group[into]!]!]! += 1;
      currents[plan.step[group[outOf]!]!]! -= 1;
      elimination.potentials(currents, v);
    },
    drive(branch) {
      driving = branch;
      currents.fill(0);
      v.fill(0);
      const edge = edgeOf.get(branch);
      if (edge === undefined) return;
      currents[plan.step[from[edge]!]!]! += g[edge]!;
      currents[plan.step[to[edge]!]!]! -= g[edge]!;
      elimination.potentials(currents, v);
    },
    voltage,
    current(index) {
      if (branches[index]!.kind !== 'ideal') return ownCurrent(index);
      if (!feeders.has(index)) feeders.set(index, feedersOf(circuit, supernodes, index));
      const fed = feeders.get(index)!;
      return fed ? fed.reduce((sum, { branch, sign }) => sum + sign * ownCurrent(branch), 0) : NaN;
    },
  };
}

/** A branch whose current, times a sign, is part of what an ideal branch carries. */
interface Feeder {
  readonly branch: number;
  readonly sign: 1 | -1;
}

/** Returns the branches whose currents add up to that of an ideal branch. Null if ideal branches share it among them. */
function feedersOf({ branches }: Circuit, supernodes: Supernodes, supernode: number): Feeder[] | null {
  if (supernodes.shared.has(supernode)) return null;
  const behind = new Set<number>();
  for (const node of supernodes.order)
    if (supernodes.parentBranch[node] === supernode || behind.has(supernodes.parentNode[node]!)) behind.add(node);
  const forward = behind.has(branches[supernode]!.to) ? 1 : -1;
  return branches.flatMap((branch, index): Feeder[] => {
    const leaves = behind.has(branch.from);
    if (branch.kind === 'ideal' || leaves === behind.has(branch.to)) return [];
    return [{ branch: index, sign: leaves === forward > 0 ? 1 : -1 }];
  });
}
