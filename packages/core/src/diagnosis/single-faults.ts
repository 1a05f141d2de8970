import type { Bench } from '../faults/index.ts';
import { isLinear, type Unloaded } from '../loading/index.ts';
import { readingFaults } from './by-kind.ts';
import { circuitFaults } from './causes/circuit-faults.ts';
import { differenceFrom, separation } from './predictions/comparing.ts';
import { elsewhereIn } from './causes/elsewhere.ts';
import { faultsByResolving } from './causes/faults-by-resolving.ts';
import type { Observed } from './predictions/observed.ts';
import { largestMisfit, misfitOf, rankOf, type CircuitPrediction, type Prediction } from './predictions/prediction.ts';

/** A prediction with the misfit of all readings to it, and what it is ranked by, the best lowest. */
export interface Scored {
  readonly prediction: Prediction;
  readonly misfit: number;
  readonly rank: number;
}

/**
 * Returns the single faults that explain some readings, the best first: every fault of one reading and of the circuit with a
 * misfit up to the largest that is listed, except those that no reading distinguishes from the fault-free circuit.
 */
export function singleFaults(
  bench: Bench,
  unloaded: Unloaded,
  observed: readonly Observed[],
  faultFree: Prediction,
): Scored[] {
  return [...ofReadings(bench, unloaded, observed, faultFree), ...faultsOfCircuit(bench, unloaded, observed)]
    .filter((one) => !isFaultFree(one, faultFree, observed))
    .map((prediction) => ({
      prediction,
      misfit: misfitOf(prediction, observed),
      rank: rankOf(prediction, faultFree, observed),
    }))
    .filter(({ misfit }) => misfit <= largestMisfit)
    .sort((a, b) => a.rank - b.rank);
}

/** Returns the predictions of every fault of the circuit: from the fault-free responses, or by solving again if a load has a curve. */
export const faultsOfCircuit = (
  bench: Bench,
  unloaded: Unloaded,
  observed: readonly Observed[],
): CircuitPrediction[] =>
  isLinear(unloaded) ? circuitFaults(bench.network, bench.instruments, observed) : faultsByResolving(bench, observed);

/** A fault of one reading leaves the others unchanged: if these alone differ too much, none of its faults can explain all. */
function ofReadings(
  { instruments }: Bench,
  unloaded: Unloaded,
  observed: readonly Observed[],
  faultFree: Prediction,
): Prediction[] {
  const misses = observed.map((one, k) => (differenceFrom(one, faultFree.values[k]!) / faultFree.u[k]!) ** 2);
  const most = (largestMisfit * (1 + 1e-9)) ** 2 * observed.length;
  const at = elsewhereIn(unloaded, instruments);
  return observed.flatMap((one, k) => {
    const others = misses.reduce((sum, miss, other) => (other === k ? sum : sum + miss), 0);
    if (others > most) return [];
    return readingFaults(unloaded, at, one).flatMap(({ hypothesis, value, tolerance, u }): Prediction[] => {
      const own = Math.sqrt(u * u + tolerance * tolerance);
      if (others + (differenceFrom(one, value) / own) ** 2 > most) return [];
      return [{ hypothesis, values: faultFree.values.with(k, value), u: faultFree.u.with(k, own), fitted: 0 }];
    });
  });
}

/** Returns the prediction of the fault-free circuit. A meter whose leads nothing joins counts as 0. */
export const faultFreePrediction = (observed: readonly Observed[]): Prediction => ({
  hypothesis: { fault: 'open', where: [], value: null },
  values: Float64Array.from(observed, ({ expected }) => expected ?? 0),
  u: Float64Array.from(observed, ({ u, tolerance }) => Math.hypot(u, tolerance)),
  fitted: 0,
});

/**
 * Returns whether no fault is needed: every reading is within 2u of the fault-free prediction, and every resistance reading
 * within its part's tolerance widened by U.
 */
export const isConsistent = ({ values, u }: Prediction, observed: readonly Observed[]): boolean =>
  observed.every((one, k) => {
    const off = Math.abs(differenceFrom(one, values[k]!));
    const limit = one.reading.quantity === 'resistance' ? one.tolerance * Math.sqrt(3) + 2 * one.u : Infinity;
    return off <= 2 * u[k]! && off <= limit;
  });

/** Difference up to which two predictions are one: the noise of a prediction by responses. */
const noise = { relative: 1e-9, absolute: 1e-15 };

/** Returns whether no reading can distinguish a hypothesis from the fault-free circuit. */
function isFaultFree({ values }: Prediction, faultFree: Prediction, observed: readonly Observed[]): boolean {
  for (let k = 0; k < observed.length; k += 1) {
    const expected = faultFree.values[k]!;
    if (values[k] === expected) continue;
    if (separation(observed[k]!, values[k]!, expected) > noise.relative * Math.abs(expected) + noise.absolute)
      return false;
  }
  return true;
}
