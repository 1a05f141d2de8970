import type { CircuitHypothesis, Hypothesis } from '../../faults/index.ts';
import { differenceFrom, separation, type Compared } from './comparing.ts';

/** Predictions of a hypothesis for all readings, in their order, with the standard uncertainty that each is judged by. */
export interface Prediction<Fault extends Hypothesis = Hypothesis> {
  readonly hypothesis: Fault;
  /** V, A or Ω; Infinity for a resistance beyond every range. */
  readonly values: Float64Array;
  readonly u: Float64Array;
  /** Number of fitted values: the mean is over so many readings fewer. */
  readonly fitted: number;
}

/** The prediction of a fault of the circuit. */
export type CircuitPrediction = Prediction<CircuitHypothesis>;

/** The largest misfit with which a hypothesis is listed. */
export const largestMisfit = 2;

/** The misfit at which a fit is given up: other weights move the value a little, and do not bring it back from there. */
export const hopeless = 5 * largestMisfit;

/** Returns Σ((value − prediction)/u)² over all readings. */
function misfitSum({ values, u }: Prediction, observed: readonly Compared[]): number {
  let sum = 0;
  for (let k = 0; k < observed.length; k += 1) {
    const off = differenceFrom(observed[k]!, values[k]!);
    if (off !== 0) sum += (off / u[k]!) ** 2;
  }
  return sum;
}

/** Returns √(mean of ((value − prediction)/u)²); with a fitted value over one reading fewer. */
export const misfitOf = (prediction: Prediction, observed: readonly Compared[]): number =>
  Math.sqrt(misfitSum(prediction, observed) / Math.max(1, observed.length - prediction.fitted));

/** u of a reading that has none: keeps the logarithm of a ratio finite. */
const smallestU = 1e-300;

/**
 * Returns the ranking value of a hypothesis, lowest for the best: Σ((value − prediction)/u)² + Σ ln(u²/u₀²) + k·ln n, with u₀ from the
 * fault-free circuit, k fitted values and n readings. Twice the negative log-likelihood of normal deviations, and the penalty
 * of the Bayesian information criterion for each fitted value.
 */
export function rankOf(prediction: Prediction, faultFree: Prediction, observed: readonly Compared[]): number {
  let rank = misfitSum(prediction, observed) + prediction.fitted * Math.log(Math.max(2, observed.length));
  for (let k = 0; k < observed.length; k += 1)
    rank += 2 * Math.log(Math.max(prediction.u[k]!, smallestU) / Math.max(faultFree.u[k]!, smallestU));
  return rank;
}

/**
 * Returns the index of a reading whose prediction is not within 2u of the leader's; −1 if there is none.
 *
 * @param first  index that is tried first
 */
export function distinguishedBy(
  one: Prediction,
  leader: Prediction,
  observed: readonly Compared[],
  first: number,
): number {
  for (let tried = 0, k = first; tried < observed.length; tried += 1, k = (k + 1) % observed.length)
    if (separation(observed[k]!, one.values[k]!, leader.values[k]!) > 2 * leader.u[k]!) return k;
  return -1;
}

/** Returns a function that gives predicted values by the readings' ids; null for a resistance beyond every range. */
export function predictionsBy(
  observed: readonly { readonly reading: { readonly id: string } }[],
): (prediction: Prediction) => Record<string, number | null> {
  const ids = observed.map(({ reading }) => reading.id);
  const blank: Record<string, number | null> = Object.fromEntries(ids.map((id) => [id, 0.5]));
  return ({ values }) => {
    // Copying an object with the same keys is faster than adding them one by one.
    const predictions = { ...blank };
    for (let k = 0; k < ids.length; k += 1) predictions[ids[k]!] = Number.isFinite(values[k]!) ? values[k]! : null;
    return predictions;
  };
}
