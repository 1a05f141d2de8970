import type { Circuit } from '../circuit.ts';
import { straightened, type LoadBranch } from './load-law.ts';
import { solveLinear } from '../linear/solve-linear.ts';
import { tangentsAt } from './working-point.ts';

/**
 * Where to begin the search for a working point: the rated currents, the way that shorts in the loads' places would carry
 * any, and nothing if they would carry nothing.
 *
 * @returns A in each load
 */
export function likelyCurrents(circuit: Circuit, loads: readonly LoadBranch[]): Float64Array {
  const laws = loads.map(({ law }) => law);
  const { resistances } = tangentsAt(laws, new Float64Array(laws.length), 1e-14);
  const branches = [...circuit.branches];
  loads.forEach(({ index, branch }, k) => (branches[index] = straightened(branch, resistances[k]!, 0)));
  const shorted = solveLinear({ ...circuit, branches }, -1);
  return Float64Array.from(loads, ({ index, law: { ratedCurrent, polarised } }) => {
    const way = shorted.ok ? Math.sign(shorted.value.currents[index]?.hi ?? 0) : 1;
    return polarised && way < 0 ? -1e-12 * ratedCurrent : way * ratedCurrent;
  });
}
