import type { Hypothesis } from '../faults/index.ts';

/** What a hypothesis predicts for each reading, in their order, with the standard uncertainty that it is judged by. */
export interface Prediction {
  readonly hypothesis: Hypothesis;
  readonly values: Float64Array;
  readonly u: Float64Array;
  /** Values that were fitted: the mean is over so many fewer. */
  readonly fitted: number;
}

/** The largest misfit that a hypothesis is listed with. */
export const largestMisfit = 2;

/** √(mean of ((value − prediction)/u)²); with a fitted value over one reading fewer. */
export function misfitOf({ values, u, fitted }: Prediction, observed: readonly { readonly value: number }[]): number {
  let sum = 0;
  observed.forEach(({ value }, k) => {
    const off = value - values[k]!;
    if (off !== 0) sum += (off / u[k]!) ** 2;
  });
  return Math.sqrt(sum / Math.max(1, observed.length - fitted));
}

/** What is predicted, by the readings' ids. */
export function predictionsOf(
  { values }: Prediction,
  observed: readonly { readonly reading: { readonly id: string } }[],
): Record<string, number> {
  const predictions: Record<string, number> = {};
  for (let k = 0; k < observed.length; k += 1) predictions[observed[k]!.reading.id] = values[k]!;
  return predictions;
}
