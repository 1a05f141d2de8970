import { lawOf } from '../../network/index.ts';
import { exactly, zero } from '../linear/double-double.ts';
import type { Branch, Circuit, LoadLaw } from '../circuit.ts';

/** A branch of a circuit with such a law. */
export interface LoadBranch {
  readonly index: number;
  readonly branch: Branch;
  readonly law: LoadLaw;
}

/** The branches of a circuit that have a law of their own. */
export function loadBranches({ branches }: Circuit): LoadBranch[] {
  const loads: LoadBranch[] = [];
  for (let index = 0; index < branches.length; index += 1) {
    const branch = branches[index]!;
    if (branch.law) loads.push({ index, branch, law: branch.law });
  }
  return loads;
}

/** Multiple of the rated resistance that a polarised load in reverse counts with while the solution is searched; then it is open. */
const reverse = 1e12;

/** V, and Ω per rated Ω: far above any of a network, so that sums remain finite. */
const endless = 1e200;

/** V across a load that carries a current, A. */
export function voltageAt({ ratedVoltage, ratedCurrent, curve, polarised }: LoadLaw, current: number): number {
  const share = current / ratedCurrent;
  if (polarised && share < 0) return reverse * ratedVoltage * share;
  return ratedVoltage * Math.sign(share) * Math.min(lawOf(curve).voltage(curve.values, Math.abs(share)), endless);
}

/** Returns the current through a load at a voltage, A. */
export function currentAt({ ratedVoltage, ratedCurrent, curve, polarised }: LoadLaw, voltage: number): number {
  const share = voltage / ratedVoltage;
  if (polarised && share < 0) return 0;
  return ratedCurrent * Math.sign(share) * lawOf(curve).current(curve.values, Math.abs(share));
}

/** Returns how fast the voltage of a load rises with its current, dV/dI in Ω. */
export function slopeAt({ ratedVoltage, ratedCurrent, curve, polarised }: LoadLaw, current: number): number {
  const share = current / ratedCurrent;
  const rated = ratedVoltage / ratedCurrent;
  if (polarised && share < 0) return reverse * rated;
  return rated * Math.min(lawOf(curve).slope(curve.values, Math.abs(share)), endless);
}

/** A load's branch as the straight line of a resistance, Ω, and an EMF, V; open where the resistance is null. */
export function straightened(branch: Branch, resistance: number | null, emf: number): Branch {
  const { law: _, ...plain } = branch;
  return resistance === null
    ? { ...plain, kind: 'open', resistance: zero, emf: zero }
    : { ...plain, resistance: exactly(resistance), emf: exactly(emf) };
}
