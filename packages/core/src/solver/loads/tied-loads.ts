import type { Circuit } from '../circuit.ts';
import { subtract, toNumber } from '../linear/double-double.ts';
import { currentAt, loadBranches, straightened, type LoadBranch } from './load-law.ts';
import { findSupernodes } from '../linear/supernodes.ts';
import { tangentsAt } from './working-point.ts';

/** A circuit, and the loads in it whose working point is still to be found. */
export interface LoadedCircuit {
  readonly circuit: Circuit;
  readonly loads: readonly LoadBranch[];
}

/** The loads of a circuit: those that ideal branches tie to a known voltage are straightened at it right away. */
export function straightenTied(circuit: Circuit): LoadedCircuit {
  const all = loadBranches(circuit);
  const joined = all.length > 0 ? findSupernodes(circuit, -1) : null;
  if (!joined?.ok) return { circuit, loads: all };
  const { group, offset } = joined.value;
  const isTied = ({ branch: { from, to } }: LoadBranch): boolean => group[from] === group[to];
  if (!all.some(isTied)) return { circuit, loads: all };
  const branches = [...circuit.branches];
  for (const { index, branch, law } of all.filter(isTied)) {
    const voltage = toNumber(subtract(offset[branch.from]!, offset[branch.to]!));
    const { resistances, emfs } = tangentsAt([law], Float64Array.of(currentAt(law, voltage)), 1e-14);
    branches[index] = straightened(branch, law.polarised && voltage <= 0 ? null : resistances[0]!, emfs[0]!);
  }
  return { circuit: { ...circuit, branches }, loads: all.filter((load) => !isTied(load)) };
}
