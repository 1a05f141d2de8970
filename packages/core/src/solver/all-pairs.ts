import type { Circuit } from './circuit.ts';
import { add, divide, exactly, multiply, subtract, toNumber } from './double-double.ts';
import { Islands } from './islands.ts';
import { joinNodes } from './joints.ts';
import { StarMesh } from './star-mesh.ts';

/** The resistance between any two nodes of a circuit, sources at rest; null between islands. */
export type PairResistance = (a: number, b: number) => number | null;

/**
 * Looks between all pairs of nodes at once: one reduction, then sums of positive terms on the way back.
 *
 * A circuit with a source conflict has no answer; current sources are open.
 *
 * @returns null where ideal sources contradict each other
 */
export function resistanceBetween(circuit: Circuit): PairResistance | null {
  const joined = joinNodes(circuit, -1);
  if (!joined.ok) return null;
  const { groups, group } = joined.value;
  const mesh = new StarMesh(groups);
  const islands = new Islands(groups);
  for (const { kind, from, to, resistance } of circuit.branches) {
    const [a, b] = [group[from]!, group[to]!];
    if (kind !== 'resistance' || a === b) continue;
    mesh.join(a, b, divide(exactly(1), resistance), exactly(0));
    islands.join(a, b);
  }
  mesh.reduceTo([]);
  const green = mesh.green();
  return (a, b) => {
    const [one, other] = [group[a]!, group[b]!];
    if (one === other) return 0;
    if (islands.of(one) !== islands.of(other)) return null;
    const twice = multiply(exactly(2), green(one, other));
    return toNumber(subtract(add(green(one, one), green(other, other)), twice));
  };
}
