import type { Circuit } from './circuit.ts';
import { add, divide, exactly, multiply, subtract, toNumber, zero, type DoubleDouble } from './linear/double-double.ts';
import { DisjointSets } from './linear/disjoint-sets.ts';
import { findSupernodes } from './linear/supernodes.ts';
import { StarMesh } from './linear/star-mesh.ts';

/** Share of a resistance below which what is left of a difference is rounding. */
const differenceNoise = 1e-24;

/** Ω between any two nodes of a circuit, sources at rest; null between disjoint sets. */
export type PairResistance = (a: number, b: number) => DoubleDouble | null;

/**
 * Looks between all pairs of nodes at once: one reduction, then sums of positive terms on the way back.
 *
 * A circuit with a source conflict has no answer; current sources are open.
 *
 * @returns null if ideal sources contradict each other
 */
export function resistanceBetween(circuit: Circuit): PairResistance | null {
  const joined = findSupernodes(circuit, -1);
  if (!joined.ok) return null;
  const { groups, group } = joined.value;
  const mesh = new StarMesh(groups);
  const sets = new DisjointSets(groups);
  for (const { kind, from, to, resistance } of circuit.branches) {
    const [a, b] = [group[from]!, group[to]!];
    if (kind !== 'resistance' || a === b) continue;
    mesh.join(a, b, divide(exactly(1), resistance), exactly(0));
    sets.join(a, b);
  }
  mesh.reduceTo([]);
  const green = mesh.green();
  return (a, b) => {
    const [one, other] = [group[a]!, group[b]!];
    if (one === other) return zero;
    if (sets.of(one) !== sets.of(other)) return null;
    const twice = multiply(exactly(2), green(one, other));
    return subtract(add(green(one, one), green(other, other)), twice);
  };
}

/**
 * Returns the resistance seen from a break in a resistance, by a change of rank one: R²/(R − R_ab), with R_ab between its ends with the
 * part in.
 *
 * R_ab never exceeds R; what is left of R − R_ab when nothing else joins the ends is the noise of the computation.
 *
 * @returns Ω; null if nothing but the part itself joins its ends
 */
export function breakResistance(resistance: DoubleDouble, acrossEnds: DoubleDouble): number | null {
  const rest = subtract(resistance, acrossEnds);
  if (rest.hi <= differenceNoise * resistance.hi) return null;
  return toNumber(divide(multiply(resistance, resistance), rest));
}
