import { Matrix, SingularValueDecomposition, solve } from 'ml-matrix';

/** Damping at the start, and the least (Levenberg and Marquardt). */
const [firstDamping, leastDamping] = [1e-3, 1e-12];

/** Divisor in place of zero. */
const tiny = 1e-300;

/** Step of a numeric derivative: a share of the value, and the least. */
const [stepShare, leastStep] = [1e-5, 1e-7];

/** Length of a column of the Jacobian below which its value changes nothing. */
const noEffect = 1e-9;

/** Prediction of each reading, and the standard uncertainty that it is weighted by. */
export interface Predicted {
  readonly values: readonly number[];
  readonly u: readonly number[];
}

/** A weighted least-squares problem. */
export interface Problem {
  readonly start: readonly number[];
  /** Least and greatest value of each. */
  readonly bounds: readonly (readonly [least: number, most: number])[];
  /** Returns how far each measured value is from its prediction, in the unit of the latter. */
  differences(predicted: readonly number[]): readonly number[];
  /** Null if the values cannot be predicted from. */
  predict(values: readonly number[]): Predicted | null;
}

/** Values that fit best, and how certain they are. */
export interface LeastSquares {
  readonly values: readonly number[];
  /** Standard deviations, √diag((JᵀWJ)⁻¹). */
  readonly deviations: readonly number[];
  /** (measured − predicted)/u. */
  readonly residuals: readonly number[];
  /** Σ of their squares. */
  readonly sum: number;
  /** Indices of values that nothing bears on, alone or together; empty if all are determined. */
  readonly undetermined: readonly number[];
  /** False if the values ran to where no reading determines them, or never settled. */
  readonly converged: boolean;
}

/** Below this share of the largest, a singular value is none. */
const rankLimit = 1e-6;

const mostRounds = 60;

/** Ratio to its start, or to 1, from which a value that its own deviation exceeds is on its way to infinity. */
const farFromStart = 1e3;

/** Relative gain of a round below which the sum of squares is at its minimum: a few roundings of a double. */
const settledGain = 1e-14;

/**
 * Gauss–Newton with Levenberg and Marquardt's damping; slopes by central differences. Rank is judged at the start, by the
 * singular values of the weighted slopes, each column taken per size of its value.
 */
export function leastSquares(problem: Problem): LeastSquares {
  const { start } = problem;
  const n = start.length;
  let values = [...start];
  let now = weigh(problem, values);
  if (!now) return { values, deviations: [], residuals: [], sum: Infinity, undetermined: [], converged: false };
  const undetermined = withoutEffect(slopesAt(problem, start, now.u), start);
  let damping = firstDamping;
  let settled = false;
  for (let round = 0; undetermined.length === 0 && round < mostRounds; round += 1) {
    const better = stepFrom(problem, values, now, damping);
    settled = !better;
    if (!better) break;
    const gain = (now.sum - better.now.sum) / Math.max(now.sum, tiny);
    ({ values, now } = better);
    damping = Math.max(better.damping / 5, leastDamping);
    settled = gain < settledGain;
    if (settled) break;
  }
  const none = { values, deviations: [], residuals: now.residuals, sum: now.sum, undetermined, converged: false };
  if (undetermined.length > 0) return none;
  const slopes = slopesAt(problem, values, now.u);
  const deviations = deviationsOf(slopes, n);
  const ranAway = values.some((value, k) => {
    const size = Math.abs(value);
    return size > farFromStart * Math.max(Math.abs(start[k]!), 1) && deviations[k]! > size;
  });
  const converged = settled && !ranAway && deviations.every(Number.isFinite);
  return converged ? { ...none, deviations, converged } : none;
}

/** One step downhill, as long as it may be; null if there is none. */
function stepFrom(
  problem: Problem,
  values: readonly number[],
  now: Weighed,
  from: number,
): { readonly values: number[]; readonly now: Weighed; readonly damping: number } | null {
  const slopes = new Matrix(slopesAt(problem, values, now.u));
  // Columns put to one size: volts and ohms are far apart.
  const size = values.map((_, k) => slopes.getColumnVector(k).norm() || 1);
  size.forEach((length, k) => slopes.mulColumn(k, 1 / length));
  const normal = slopes.transpose().mmul(slopes);
  const right = slopes.transpose().mmul(Matrix.columnVector([...now.residuals]));
  for (let damping = from; damping < from * 6 ** 12; damping *= 6) {
    const step = solve(Matrix.add(normal, Matrix.eye(values.length).mul(damping)), right, true);
    const next = values.map((value, k) => {
      const moved = value + step.get(k, 0) / size[k]!;
      const [least, most] = problem.bounds[k]!;
      return Math.min(Math.max(least, moved), most);
    });
    const then = weigh(problem, next);
    if (then && then.sum < now.sum) return { values: next, now: then, damping };
  }
  return null;
}

interface Weighed {
  readonly residuals: readonly number[];
  readonly u: readonly number[];
  readonly sum: number;
}

function weigh({ predict, differences }: Problem, values: readonly number[]): Weighed | null {
  const predicted = predict(values);
  if (!predicted) return null;
  const residuals = differences(predicted.values).map((off, k) => off / Math.max(predicted.u[k]!, tiny));
  return { residuals, u: predicted.u, sum: residuals.reduce((sum, one) => sum + one * one, 0) };
}

/** Rows by reading: how far each prediction moves with each value, in u. */
function slopesAt(problem: Problem, values: readonly number[], u: readonly number[]): number[][] {
  const columns = values.map((value, k) => {
    const step = Math.max(Math.abs(value) * stepShare, leastStep);
    const at = (by: number) => problem.predict(values.map((one, i) => (i === k ? one + by : one)));
    const [least, most] = problem.bounds[k]!;
    const [down, up] = [Math.max(value - step, least) - value, Math.min(value + step, most) - value];
    const [low, high] = [at(down), at(up)];
    const [before, after] = [low, high].map((one) => one && problem.differences(one.values));
    return u.map((own, row) =>
      before && after ? (before[row]! - after[row]!) / (up - down) / Math.max(own, tiny) : 0,
    );
  });
  return u.map((_, row) => columns.map((column) => column[row]!));
}

/** Which values nothing bears on, alone or together: a singular value of the slopes, each per size of its value, that is next to nothing. */
function withoutEffect(slopes: readonly (readonly number[])[], values: readonly number[]): number[] {
  const scaled = slopes.map((row) => row.map((one, k) => one * (Math.abs(values[k]!) || 1)));
  // As many rows as values at least, or the combinations that no reading bears on would have no singular value.
  while (scaled.length < values.length) scaled.push(values.map(() => 0));
  const { diagonal, rightSingularVectors: vectors } = new SingularValueDecomposition(new Matrix(scaled));
  const largest = Math.max(...diagonal, 0);
  const none = diagonal.map((length) => !(length > Math.max(largest * rankLimit, noEffect)));
  return values.flatMap((_, k) => (none.some((is, v) => is && Math.abs(vectors.get(k, v)) > 0.01) ? [k] : []));
}

/** √diag((JᵀJ)⁻¹), by the singular values of the slopes put to one size. */
function deviationsOf(slopes: readonly (readonly number[])[], n: number): number[] {
  const size = Array.from({ length: n }, (_, k) => Math.hypot(...slopes.map((row) => row[k]!)) || 1);
  const { diagonal, rightSingularVectors: vectors } = new SingularValueDecomposition(
    new Matrix(slopes.map((row) => row.map((one, k) => one / size[k]!))),
  );
  return size.map((length, k) => Math.hypot(...diagonal.map((one, v) => vectors.get(k, v) / one)) / length);
}
