import type { PlainForm, PowerEquation } from './power-equation.ts';

/** Shortest step along a path; a path that needs a shorter one has ended. */
const shortestStep = 1e-10;

/** Distance from the end of a path, s = 1, from which on it has arrived. */
const arrival = 1e-6;

/** Relative change at which a correction is done. */
const settled = 1e-11;

/** Size below which a pivot is zero. */
const leastPivot = 1e-300;

/** A number of modulus 1 that is no root of anything that matters: with it no way meets another before its end. */
const twist = { re: Math.cos(1.234), im: Math.sin(1.234) };

/** Follows one solution from the start system (s = 0) to the wanted one (s = 1); null if it diverges. */
export function follow(equations: readonly PowerEquation[], start: Float64Array): Float64Array | null {
  const system = new Homotopy(equations);
  let point = start;
  let s = 0;
  let step = 0.05;
  for (let tries = 0; tries < 3000 && s < 1; tries += 1) {
    const next = Math.min(1, s + step);
    const predicted = system.predict(point, s, next - s);
    const corrected = predicted && system.correct(predicted, next, next === 1 ? 12 : 4);
    if (!corrected) {
      step /= 3;
      if (step > shortestStep) continue;
      // A double root at the very end: what it comes near to is it.
      return s > 1 - arrival ? point : null;
    }
    point = corrected;
    s = next;
    step = Math.min(step * 1.6, 0.1);
    if (Math.max(...point.map(Math.abs)) > 1e7) return null;
  }
  return s < 1 ? null : point;
}

/** H(t, s) = s·F(t) + (1 − s)·γ·(t² − 1), with what its derivatives are. */
class Homotopy {
  private readonly n: number;
  private readonly matrix: Float64Array;
  private readonly right: Float64Array;
  private readonly equations: readonly PowerEquation[];

  constructor(equations: readonly PowerEquation[]) {
    this.equations = equations;
    this.n = equations.length;
    this.matrix = new Float64Array(2 * this.n * this.n);
    this.right = new Float64Array(2 * this.n);
  }

  /** Along the tangent: −H_t⁻¹·H_s times the step. */
  predict(point: Float64Array, s: number, step: number): Float64Array | null {
    this.fill(point, s);
    for (let row = 0; row < this.n; row += 1) {
      const [re, im] = this.product(row, point);
      const { re: ownRe, im: ownIm } = squareLessOne(point, row);
      this.right[2 * row] = -(re - this.equations[row]!.power - (twist.re * ownRe - twist.im * ownIm)) * step;
      this.right[2 * row + 1] = -(im - (twist.re * ownIm + twist.im * ownRe)) * step;
    }
    return this.moved(point);
  }

  /** Newton's method at one s; null if it does not settle. */
  correct(from: Float64Array, s: number, steps: number): Float64Array | null {
    let point = from;
    for (let k = 0; k < steps; k += 1) {
      this.fill(point, s);
      for (let row = 0; row < this.n; row += 1) {
        const [re, im] = this.product(row, point);
        const { re: ownRe, im: ownIm } = squareLessOne(point, row);
        this.right[2 * row] = -(
          s * (re - this.equations[row]!.power) +
          (1 - s) * (twist.re * ownRe - twist.im * ownIm)
        );
        this.right[2 * row + 1] = -(s * im + (1 - s) * (twist.re * ownIm + twist.im * ownRe));
      }
      const moved = this.moved(point);
      if (!moved) return null;
      const change = Math.max(...moved.map((x, at) => Math.abs(x - point[at]!)));
      point = moved;
      if (change <= settled * Math.max(1, ...point.map(Math.abs))) return point;
    }
    return null;
  }

  private fill(point: Float64Array, s: number): void {
    this.matrix.fill(0);
    for (let row = 0; row < this.n; row += 1) {
      const { voltage, current } = this.equations[row]!;
      const [vRe, vIm] = valueAt(voltage, point);
      const [iRe, iIm] = valueAt(current, point);
      for (let k = 0; k < this.n; k += 1) {
        const at = 2 * (row * this.n + k);
        this.matrix[at] = s * (voltage.coefficients[k]! * iRe + current.coefficients[k]! * vRe);
        this.matrix[at + 1] = s * (voltage.coefficients[k]! * iIm + current.coefficients[k]! * vIm);
      }
      const own = 2 * (row * this.n + row);
      const [re, im] = [2 * point[2 * row]!, 2 * point[2 * row + 1]!];
      this.matrix[own]! += (1 - s) * (twist.re * re - twist.im * im);
      this.matrix[own + 1]! += (1 - s) * (twist.re * im + twist.im * re);
    }
  }

  private product(row: number, point: Float64Array): readonly [number, number] {
    const [vRe, vIm] = valueAt(this.equations[row]!.voltage, point);
    const [iRe, iIm] = valueAt(this.equations[row]!.current, point);
    return [vRe * iRe - vIm * iIm, vRe * iIm + vIm * iRe];
  }

  /** The point moved by what the matrix gives for the right side; null if it is singular. */
  private moved(point: Float64Array): Float64Array | null {
    if (!eliminate(this.matrix, this.right, this.n)) return null;
    return point.map((x, at) => x + this.right[at]!);
  }
}

function valueAt({ coefficients, constant }: PlainForm, point: Float64Array): readonly [number, number] {
  let [re, im] = [constant, 0];
  for (let k = 0; k < coefficients.length; k += 1) {
    re += coefficients[k]! * point[2 * k]!;
    im += coefficients[k]! * point[2 * k + 1]!;
  }
  return [re, im];
}

function squareLessOne(point: Float64Array, row: number): { readonly re: number; readonly im: number } {
  const [re, im] = [point[2 * row]!, point[2 * row + 1]!];
  return { re: re * re - im * im - 1, im: 2 * re * im };
}

/** Complex Gauss elimination in place, the solution left in `right`; false if a pivot is missing. */
function eliminate(matrix: Float64Array, right: Float64Array, n: number): boolean {
  for (let column = 0; column < n; column += 1) {
    let pivot = column;
    const size = (row: number): number =>
      Math.hypot(matrix[2 * (row * n + column)]!, matrix[2 * (row * n + column) + 1]!);
    for (let row = column + 1; row < n; row += 1) if (size(row) > size(pivot)) pivot = row;
    if (!(size(pivot) > leastPivot)) return false;
    if (pivot !== column) {
      for (let k = 0; k < 2 * n; k += 1) {
        const [a, b] = [2 * column * n + k, 2 * pivot * n + k];
        [matrix[a], matrix[b]] = [matrix[b]!, matrix[a]!];
      }
      for (let k = 0; k < 2; k += 1) {
        const [a, b] = [2 * column + k, 2 * pivot + k];
        [right[a], right[b]] = [right[b]!, right[a]!];
      }
    }
    const at = 2 * (column * n + column);
    const [pRe, pIm] = [matrix[at]!, matrix[at + 1]!];
    const norm = pRe * pRe + pIm * pIm;
    for (let row = 0; row < n; row += 1) {
      if (row === column) continue;
      const place = 2 * (row * n + column);
      const [re, im] = [matrix[place]!, matrix[place + 1]!];
      if (re === 0 && im === 0) continue;
      const [fRe, fIm] = [(re * pRe + im * pIm) / norm, (im * pRe - re * pIm) / norm];
      for (let k = column; k < n; k += 1) {
        const [own, other] = [2 * (row * n + k), 2 * (column * n + k)];
        matrix[own]! -= fRe * matrix[other]! - fIm * matrix[other + 1]!;
        matrix[own + 1]! -= fRe * matrix[other + 1]! + fIm * matrix[other]!;
      }
      right[2 * row]! -= fRe * right[2 * column]! - fIm * right[2 * column + 1]!;
      right[2 * row + 1]! -= fRe * right[2 * column + 1]! + fIm * right[2 * column]!;
    }
  }
  for (let row = 0; row < n; row += 1) {
    const at = 2 * (row * n + row);
    const [pRe, pIm] = [matrix[at]!, matrix[at + 1]!];
    const norm = pRe * pRe + pIm * pIm;
    const [re, im] = [right[2 * row]!, right[2 * row + 1]!];
    right[2 * row] = (re * pRe + im * pIm) / norm;
    right[2 * row + 1] = (im * pRe - re * pIm) / norm;
  }
  return true;
}
