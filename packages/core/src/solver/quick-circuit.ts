import type { Circuit } from './circuit.ts';
import { likelyCurrents } from './loads/likely-currents.ts';
import type { LoadBranch } from './loads/load-law.ts';
import { quickLinear, type QuickCircuit } from './linear/quick-linear.ts';
import { straightenTied } from './loads/tied-loads.ts';
import { findWorkingPoint, tangentsAt, type Tangents } from './loads/working-point.ts';

export type { QuickCircuit } from './linear/quick-linear.ts';

/**
 * Plans a circuit for many solutions: each costs one sparse elimination and nothing is allocated; with loads that are not
 * ohmic, one elimination for each step to their working point, from where they last were.
 *
 * Good to about twelve digits of the largest voltage, nine with such loads, where `solveCircuit` keeps all of them: for
 * samples, corners and searches. What is driven is then the network of the loads' tangents.
 *
 * @param varied  indices of the branches whose resistance changes
 * @returns null if ideal sources contradict each other
 */
export function quickCircuit(whole: Circuit, varied: readonly number[]): QuickCircuit | null {
  const { circuit, loads } = straightenTied(whole);
  return loads.length === 0 ? quickLinear(circuit, varied) : (quickWithLoads(circuit, varied, loads)?.quick ?? null);
}

/** A circuit whose loads are not ohmic, with the currents in these. */
interface QuickWithLoads {
  readonly quick: QuickCircuit;
  /** A in each load as last solved; null if no working point was found. */
  currents(): Float64Array | null;
}

function quickWithLoads(
  circuit: Circuit,
  varied: readonly number[],
  loads: readonly LoadBranch[],
): QuickWithLoads | null {
  const laws = loads.map(({ law }) => law);
  const linear = quickLinear(circuit, [...varied, ...loads.map(({ index }) => index)]);
  if (!linear) return null;
  const { branches } = circuit;
  const resistances = Float64Array.from([
    ...varied.map((index) => branches[index]!.resistance.hi),
    ...laws.map(() => 0),
  ]);
  const emfs = Float64Array.from([...varied.map((index) => branches[index]!.emf.hi), ...laws.map(() => 0)]);
  const solveAt = (tangents: Tangents): void => {
    resistances.set(tangents.resistances, varied.length);
    emfs.set(tangents.emfs, varied.length);
    linear.solve(resistances, emfs);
  };
  const pointsAt = (tangents: Tangents) => {
    solveAt(tangents);
    return {
      largest: linear.largest(),
      voltages: Float64Array.from(loads, ({ branch }) => linear.voltage(branch.from, branch.to)),
      currents: Float64Array.from(loads, ({ index }) => linear.current(index)),
    };
  };
  let start: Float64Array | null = likelyCurrents(circuit, loads);
  return {
    currents: () => start,
    quick: {
      ...linear,
      solve(others) {
        for (let k = 0; k < varied.length; k += 1) resistances[k] = others[k]!;
        const from = start ?? likelyCurrents(circuit, loads);
        const found = from.every((current) => current === 0) ? from : findWorkingPoint(laws, from, pointsAt, quickly);
        start = found;
        if (found) solveAt(tangentsAt(laws, found, quickly.floor));
      },
    },
  };
}

/** Precision of plain doubles. */
const quickly = { floor: 1e-6, step: 1e-9 };

/** A in each load of a circuit, good to about nine digits; null if sources contradict each other or nothing settles. */
export function roughLoadCurrents(circuit: Circuit, loads: readonly LoadBranch[]): Float64Array | null {
  const rough = quickWithLoads(circuit, [], loads);
  rough?.quick.solve([]);
  return rough?.currents() ?? null;
}
