import { exactly, zero } from './double-double.ts';
import type { Branch, Circuit, LoadLaw } from './circuit.ts';

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
/** V: what no voltage of a network comes near, so that sums stay numbers. */
const endless = 1e200;

/** V across a load that carries a current, A. */
export function voltageAt({ ratedVoltage, ratedCurrent, exponent, polarised }: LoadLaw, current: number): number {
  const share = current / ratedCurrent;
  if (polarised && share < 0) return reverse * ratedVoltage * share;
  return ratedVoltage * Math.sign(share) * Math.min(Math.abs(share) ** (1 / exponent), endless);
}

/** Returns the current through a load at a voltage, A. */
export function currentAt({ ratedVoltage, ratedCurrent, exponent, polarised }: LoadLaw, voltage: number): number {
  const share = voltage / ratedVoltage;
  return polarised && share < 0 ? 0 : ratedCurrent * Math.sign(share) * Math.abs(share) ** exponent;
}

/** Ω, how fast its voltage rises with its current: dV/dI = (V_r/I_r)/p·|I/I_r|^(1/p − 1). */
export function slopeAt({ ratedVoltage, ratedCurrent, exponent, polarised }: LoadLaw, current: number): number {
  const share = current / ratedCurrent;
  const rated = ratedVoltage / ratedCurrent;
  if (polarised && share < 0) return reverse * rated;
  return (rated / exponent) * Math.min(Math.abs(share) ** (1 / exponent - 1), endless);
}

/** A load's branch as the straight line of a resistance, Ω, and an EMF, V; open where the resistance is null. */
export function straightened(branch: Branch, resistance: number | null, emf: number): Branch {
  const { law: _, ...plain } = branch;
  return resistance === null
    ? { ...plain, kind: 'open', resistance: zero, emf: zero }
    : { ...plain, resistance: exactly(resistance), emf: exactly(emf) };
}
