import type { LoadLaw } from '../circuit.ts';
import { slopeAt, voltageAt } from './load-law.ts';

/** Loads as straight lines: V = emf + resistance·I each. */
export interface Tangents {
  /** Ω. */
  readonly resistances: Float64Array;
  /** V. */
  readonly emfs: Float64Array;
}

/** Working points of the loads with straight lines in their places: V across each and A through it. */
interface LoadPoints {
  readonly voltages: Float64Array;
  readonly currents: Float64Array;
}

/** The same, with the largest voltage and current of the whole network. */
export interface SolvedPoints extends LoadPoints {
  readonly largest: { readonly voltage: number; readonly current: number };
}

/** Accuracy to which a working point is found. */
export interface Accuracy {
  /** Share of the rated resistance that no tangent's resistance falls below. */
  readonly floor: number;
  /** Share of the network's largest voltage and current that the last step stays within. */
  readonly step: number;
}

const mostSteps = 100;
/** Share of the largest that the last step has to stay within at least. */
const enough = 1e-9;
/** A step shorter than this share of the way: rounding is all that is left. */
const unfelt = 1e-12;

/**
 * The working point of loads in a linear network: damped Newton on their currents.
 *
 * Each step solves the network with every load as its tangent. The currents so found are a direction in which the network's
 * content, Σ ∫V·dI, falls; along it the content is convex, and by Tellegen's theorem its slope is Σ (V_law − V)·ΔI over the
 * loads alone. The step ends where that slope is nearly zero, so each lowers the content until it is at its minimum, which
 * is the solution (Millar 1951; Duffin 1946).
 *
 * @param start  A in each load to begin with
 * @param solve  the network with straight lines in the loads' places
 * @returns A in each load; null if it does not settle
 */
export function findWorkingPoint(
  laws: readonly LoadLaw[],
  start: Float64Array,
  solve: (tangents: Tangents) => SolvedPoints,
  accuracy: Accuracy,
): Float64Array | null {
  let at: LoadPoints = solve(tangentsAt(laws, start, accuracy.floor));
  for (let count = 1; count <= mostSteps; count += 1) {
    const next = solve(tangentsAt(laws, at.currents, accuracy.floor));
    const change = differences(next, at);
    if (isSettled(change, next.largest, accuracy.step)) return next.currents;
    const from = at;
    const t = stepLength((share) => slopeAlong(laws, from, change, share), furthestStep(from, change));
    const isOver = !(t >= unfelt) || count === mostSteps;
    if (isOver) return isSettled(change, next.largest, enough) ? next.currents : null;
    at = moved(at, change, t);
  }
  return null;
}

/** The tangents of loads at their currents, none flatter than a share of its rated resistance. */
export function tangentsAt(laws: readonly LoadLaw[], currents: Float64Array, floor: number): Tangents {
  const resistances = new Float64Array(laws.length);
  const emfs = new Float64Array(laws.length);
  laws.forEach((law, k) => {
    const current = currents[k]!;
    resistances[k] = Math.max(slopeAt(law, current), (floor * law.ratedVoltage) / law.ratedCurrent);
    emfs[k] = voltageAt(law, current) - resistances[k] * current;
  });
  return { resistances, emfs };
}

const differences = (a: LoadPoints, b: LoadPoints): LoadPoints => ({
  voltages: a.voltages.map((voltage, k) => voltage - b.voltages[k]!),
  currents: a.currents.map((current, k) => current - b.currents[k]!),
});

const moved = (at: LoadPoints, change: LoadPoints, t: number): LoadPoints => ({
  voltages: at.voltages.map((voltage, k) => voltage + t * change.voltages[k]!),
  currents: at.currents.map((current, k) => current + t * change.currents[k]!),
});

/** W: the slope of the content at a share of the way. It never falls as the share rises. */
function slopeAlong(laws: readonly LoadLaw[], at: LoadPoints, change: LoadPoints, t: number): number {
  let slope = 0;
  laws.forEach((law, k) => {
    const current = at.currents[k]! + t * change.currents[k]!;
    const voltage = at.voltages[k]! + t * change.voltages[k]!;
    slope += (voltageAt(law, current) - voltage) * change.currents[k]!;
  });
  return slope;
}

/** A whole step, or more if it changes every current by little: a tangent held up by its floor shortens the way. */
const furthestStep = ({ currents }: LoadPoints, change: LoadPoints): number =>
  currents.reduce((most, current, k) => {
    const by = Math.abs(change.currents[k]!);
    return by === 0 ? most : Math.min(most, Math.max(1, (2 * Math.abs(current)) / by));
  }, Infinity);

/** Returns the step length: the whole way if the slope is then well down, else the way to that place. */
function stepLength(slopeOf: (t: number) => number, furthest: number): number {
  const first = Math.abs(slopeOf(0));
  const flat = (slope: number): boolean => Math.abs(slope) <= 0.3 * first;
  let [low, high] = [0, 1];
  let slope = slopeOf(1);
  while (!flat(slope) && slope < 0 && high < furthest) {
    low = high;
    high = Math.min(2 * high, furthest);
    slope = slopeOf(high);
  }
  if (flat(slope) || slope < 0) return high;
  for (let halving = 0; halving < 60; halving += 1) {
    const middle = (low + high) / 2;
    slope = slopeOf(middle);
    if (flat(slope)) return middle;
    if (slope < 0) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

const isSettled = (
  { voltages, currents }: LoadPoints,
  { voltage, current }: SolvedPoints['largest'],
  step: number,
): boolean => largestOf(voltages) <= step * voltage && largestOf(currents) <= step * current;

/** The largest size among some values; NaN if one is none. */
export const largestOf = (values: Float64Array): number =>
  values.reduce((most, value) => (Math.abs(value) > most || Number.isNaN(value) ? Math.abs(value) : most), 0);
