import { fail, ok, type Result } from '../result.ts';
import type { Branch, Circuit } from './circuit.ts';
import { toNumber } from './linear/double-double.ts';
import type { SolverFault } from './fault.ts';
import { likelyCurrents } from './loads/likely-currents.ts';
import { straightened, type LoadBranch } from './loads/load-law.ts';
import { roughLoadCurrents } from './quick-circuit.ts';
import { solveLinear, type CircuitSolution } from './linear/solve-linear.ts';
import { straightenTied } from './loads/tied-loads.ts';
import { findWorkingPoint, largestOf, type SolvedPoints } from './loads/working-point.ts';

/** Share of the largest voltage below which a voltage at a load has no sign. */
const signNoise = 1e-14;

/**
 * Potentials and currents of a circuit, to about 28 digits of its largest voltage; to about 13 where loads are not ohmic.
 *
 * Such loads are found at their working point, roughly in doubles and then with all digits; a polarised one that would carry
 * nothing, or anything in reverse, is open.
 *
 * @param lookFrom  index of a branch (a meter) whose terminals are to be looked into; the circuit is then reduced to those
 * @returns the solution, or the fault with the ids that cause it
 */
export function solveCircuit(whole: Circuit, lookFrom = -1): Result<CircuitSolution, SolverFault> {
  const { circuit, loads } = straightenTied(whole);
  if (loads.length === 0) return solveLinear(circuit, lookFrom);
  const start = roughLoadCurrents(circuit, loads) ?? likelyCurrents(circuit, loads);
  const carrying = new Map<LoadBranch, number>();
  loads.forEach((load, k) => {
    if (!load.law.polarised || start[k]! > 0) carrying.set(load, start[k]!);
  });
  for (let turn = 0; ; turn += 1) {
    const solved = solveCarrying(circuit, loads, carrying, lookFrom);
    if (!solved.ok) return solved;
    const wrong = turn <= 2 * loads.length ? standsWrong(loads, carrying, solved.value) : undefined;
    if (!wrong) return solved;
    if (!carrying.delete(wrong)) carrying.set(wrong, wrong.law.ratedCurrent);
  }
}

/** The circuit with some of its loads at their working point, found from a current each, and the others open. */
function solveCarrying(
  circuit: Circuit,
  loads: readonly LoadBranch[],
  carrying: ReadonlyMap<LoadBranch, number>,
  lookFrom: number,
): Result<CircuitSolution, SolverFault> {
  const branches = [...circuit.branches];
  for (const { index, branch } of loads) branches[index] = straightened(branch, null, 0);
  const own = [...carrying.keys()];
  let last: Result<CircuitSolution, SolverFault> = fail({ code: 'out-of-range', where: [] });
  const found = findWorkingPoint(
    own.map(({ law }) => law),
    Float64Array.from(carrying.values()),
    ({ resistances, emfs }) => {
      own.forEach(({ index, branch }, k) => (branches[index] = straightened(branch, resistances[k]!, emfs[k]!)));
      last = solveLinear({ ...circuit, branches: [...branches] }, lookFrom);
      return {
        largest: largestIn(branches, last),
        voltages: Float64Array.from(own, ({ branch }) => voltageOf(last, branch.from, branch.to)),
        currents: Float64Array.from(own, ({ index }) => currentOf(last, index)),
      };
    },
    fully,
  );
  return found || !last.ok ? last : fail({ code: 'out-of-range', where: own.map(({ branch }) => branch.id) });
}

/** Precision of double-doubles, with the loads' laws computed in doubles. */
const fully = { floor: 1e-14, step: 1e-12 };

/** A load that is open and would carry something, or is polarised and carries nothing. */
function standsWrong(
  loads: readonly LoadBranch[],
  carrying: ReadonlyMap<LoadBranch, number>,
  solution: CircuitSolution,
): LoadBranch | undefined {
  const noise = signNoise * largestIn(solution.circuit.branches, ok(solution)).voltage;
  return loads.find((load) =>
    carrying.has(load)
      ? load.law.polarised && (solution.currents[load.index]?.hi ?? 0) <= 0
      : (solution.voltage(load.branch.from, load.branch.to)?.hi ?? 0) > noise,
  );
}

function largestIn(branches: readonly Branch[], solved: Result<CircuitSolution, SolverFault>): SolvedPoints['largest'] {
  const voltages = Float64Array.from(branches, ({ from, to }) => voltageOf(solved, from, to) || 0);
  const currents = Float64Array.from(branches, (_, index) => currentOf(solved, index) || 0);
  return { voltage: largestOf(voltages), current: largestOf(currents) };
}

function voltageOf(solved: Result<CircuitSolution, SolverFault>, from: number, to: number): number {
  const voltage = solved.ok ? solved.value.voltage(from, to) : null;
  return voltage ? toNumber(voltage) : NaN;
}

function currentOf(solved: Result<CircuitSolution, SolverFault>, index: number): number {
  const current = solved.ok ? solved.value.currents[index] : null;
  return current ? toNumber(current) : NaN;
}
