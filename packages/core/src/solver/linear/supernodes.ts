import { fail, ok, type Result } from '../../result.ts';
import type { Branch, Circuit } from '../circuit.ts';
import { add, negate, subtract, zero, type DoubleDouble } from './double-double.ts';
import type { SolverFault } from '../fault.ts';

/**
 * Nodes tied together by branches of no resistance. Every node belongs to one group and has a known voltage above
 * its group's first node, so that only the groups' potentials are left to find.
 */
export interface Supernodes {
  readonly groups: number;
  /** Group of each node. */
  readonly group: Int32Array;
  /** V of each node above its group's first node. */
  readonly offset: readonly DoubleDouble[];
  /** For each node the ideal branch that leads towards its group's first node, −1 at the first. */
  readonly parentBranch: Int32Array;
  readonly parentNode: Int32Array;
  /** Nodes in an order in which a parent always comes before its children. */
  readonly order: readonly number[];
  /** Joints in a loop of ideal branches: nothing determines how they share their current. */
  readonly shared: ReadonlySet<number>;
}

/**
 * Groups the nodes and checks that ideal sources and links do not contradict each other.
 *
 * @param skip  a branch left out of account, the meter whose terminals are looked into; −1 for none
 * @returns the groups, or `source-conflict` with the contradictory loop and all that is tied to it
 */
export function findSupernodes(circuit: Circuit, skip: number): Result<Supernodes, SolverFault> {
  const { nodes, branches } = circuit;
  if (branches.every(({ kind }, index) => kind !== 'ideal' || index === skip)) return ok(eachByItself(nodes));
  const supernodes: number[][] = Array.from({ length: nodes }, () => []);
  branches.forEach((branch, index) => {
    if (branch.kind !== 'ideal' || index === skip) return;
    supernodes[branch.from]!.push(index);
    if (branch.to !== branch.from) supernodes[branch.to]!.push(index);
  });

  const group = new Int32Array(nodes).fill(-1);
  const offset: DoubleDouble[] = new Array<DoubleDouble>(nodes).fill(zero);
  const parentBranch = new Int32Array(nodes).fill(-1);
  const parentNode = new Int32Array(nodes).fill(-1);
  const order: number[] = [];
  let groups = 0;
  for (let first = 0; first < nodes; first += 1) {
    if (group[first] !== -1) continue;
    group[first] = groups++;
    for (let next = order.push(first) - 1; next < order.length; next += 1) {
      const node = order[next]!;
      for (const index of supernodes[node]!) {
        const branch = branches[index]!;
        const other = branch.from === node ? branch.to : branch.from;
        if (group[other] !== -1) continue;
        group[other] = group[node]!;
        parentBranch[other] = index;
        parentNode[other] = node;
        if (branch.emf.hi !== 0 || offset[node] !== zero)
          offset[other] = branch.from === node ? subtract(offset[node]!, branch.emf) : add(offset[node]!, branch.emf);
        order.push(other);
      }
    }
  }

  const shared = new Set<number>();
  for (let index = 0; index < branches.length; index += 1) {
    const branch = branches[index]!;
    if (branch.kind !== 'ideal' || index === skip) continue;
    if (parentBranch[branch.from] === index || parentBranch[branch.to] === index) continue;
    const loop = [index, ...pathBetween(branch.from, branch.to, parentBranch, parentNode)];
    for (const member of loop) shared.add(member);
    if (contradicts(branch, offset, loop, branches)) {
      const tied = supernodes.filter((_, node) => group[node] === group[branch.from]).flat();
      return fail({ code: 'source-conflict', where: idsOf(tied, branches), loop: idsOf(loop, branches) });
    }
  }
  return ok({ groups, group, offset, parentBranch, parentNode, order, shared });
}

/** Nothing ties any nodes together. */
function eachByItself(nodes: number): Supernodes {
  const group = new Int32Array(nodes);
  const order: number[] = [];
  for (let node = 0; node < nodes; node += 1) {
    group[node] = node;
    order.push(node);
  }
  const none = new Int32Array(nodes).fill(-1);
  const offset = new Array<DoubleDouble>(nodes).fill(zero);
  return { groups: nodes, group, offset, parentBranch: none, parentNode: none, order, shared: new Set() };
}

/** The tree ideal branches between two nodes of one group. */
export function pathBetween(a: number, b: number, parentBranch: Int32Array, parentNode: Int32Array): number[] {
  const above = new Map<number, number[]>();
  const path: number[] = [];
  for (let node = a; ; node = parentNode[node]!) {
    above.set(node, [...path]);
    if (parentBranch[node] === -1) break;
    path.push(parentBranch[node]!);
  }
  const back: number[] = [];
  for (let node = b; ; node = parentNode[node]!) {
    const met = above.get(node);
    if (met) return [...met, ...back];
    back.push(parentBranch[node]!);
  }
}

/** Ids of branches, each once, in their order. */
const idsOf = (members: readonly number[], branches: readonly Branch[]): string[] =>
  [...new Set(members)].sort((a, b) => a - b).map((member) => branches[member]!.id);

/** A few units in the last place are how 0.1 + 0.2 differs from 0.3; more is a contradiction. */
function contradicts(
  branch: Branch,
  offset: readonly DoubleDouble[],
  loop: readonly number[],
  branches: readonly Branch[],
): boolean {
  const gap = add(subtract(offset[branch.from]!, offset[branch.to]!), negate(branch.emf));
  const size = loop.reduce((sum, member) => sum + Math.abs(branches[member]!.emf.hi), 0);
  return Math.abs(gap.hi) > 8 * Number.EPSILON * size;
}
