import { fail, ok, type Result } from '../result.ts';
import { add, negate, zero, type DoubleDouble } from './linear/double-double.ts';
import { DisjointSets } from './linear/disjoint-sets.ts';
import type { StarMesh } from './linear/star-mesh.ts';

/**
 * Gives every current source a way back through the best conductors and turns it into drives along that way.
 *
 * A current that flows round a loop can be put in parallel with each conductance on its way without changing anything
 * (source shifting). On a spanning tree of the largest conductances the shifted currents make the smallest voltages, so
 * nothing large is ever subtracted.
 *
 * @param injected  A driven into each point by the current sources
 * @param through   points a and b that a meter joins beside the mesh; what cannot flow inside the mesh may flow a → b
 * @returns A that must flow a → b through that meter, or the points of a disjoint set from which a current has no way back
 */
export function routeCurrents(
  mesh: StarMesh,
  injected: readonly DoubleDouble[],
  through: readonly [number, number] | null,
): Result<DoubleDouble, readonly number[]> {
  if (injected.every((current) => current.hi === 0)) return ok(zero);
  const tree = spanningTree(mesh);
  const seen = new Uint8Array(mesh.points);
  const size = injected.reduce((sum, current) => sum + Math.abs(current.hi), 0);
  let crossing = zero;
  let arriving = zero;
  let stranded: readonly number[] | null = null;

  // What a disjoint set cannot carry back must arrive at the meter's terminal: disjoint sets are walked from there.
  for (let start = through ? -2 : 0; start < mesh.points; start += 1) {
    const root = start < 0 ? through![start + 2]! : start;
    if (seen[root]) continue;
    const set = walk(root, tree, seen);
    const sum = new Map(set.map(({ point }) => [point, injected[point]!]));
    for (let i = set.length - 1; i > 0; i -= 1) {
      const { point, parent } = set[i]!;
      const flow = sum.get(point)!;
      if (flow.hi !== 0) mesh.push(point, parent, flow);
      sum.set(parent, add(sum.get(parent)!, flow));
    }
    const left = sum.get(root)!;
    if (Math.abs(left.hi) <= 8 * Number.EPSILON * size) continue;
    if (through && sum.has(through[0]) !== sum.has(through[1])) {
      if (sum.has(through[0])) crossing = left;
      else arriving = negate(left);
    } else {
      stranded ??= [...sum.keys()];
    }
  }
  if (stranded) return fail(stranded);
  const unbalanced = Math.abs(add(crossing, negate(arriving)).hi) > 8 * Number.EPSILON * size;
  if (unbalanced && through) return fail([...through]);
  return ok(crossing.hi === 0 ? arriving : crossing);
}

function spanningTree(mesh: StarMesh): number[][] {
  const tree: number[][] = Array.from({ length: mesh.points }, () => []);
  const sets = new DisjointSets(mesh.points);
  for (const { a, b } of mesh.edges().sort((x, y) => y.g.hi - x.g.hi)) {
    if (!sets.join(a, b)) continue;
    tree[a]!.push(b);
    tree[b]!.push(a);
  }
  return tree;
}

function walk(root: number, tree: readonly number[][], seen: Uint8Array): { point: number; parent: number }[] {
  const found = [{ point: root, parent: root }];
  seen[root] = 1;
  for (const { point } of found)
    for (const other of tree[point]!)
      if (!seen[other]) {
        seen[other] = 1;
        found.push({ point: other, parent: point });
      }
  return found;
}
