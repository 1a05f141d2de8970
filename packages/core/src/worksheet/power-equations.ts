import { follow } from './homotopy.ts';
import type { PlainForm, PowerEquation } from './power-equation.ts';

/** Share of its terms below which a discriminant is zero: the two solutions are one. */
const doubleRoot = 1e-12;

/** Smallest size that a solution is measured by. */
const leastSize = 1e-3;

/** Share of their size within which two solutions are the same, and an imaginary part is zero. */
const sameSolution = 1e-6;

/** Unknowns for which every way is still followed: 2 to their number. */
export const mostPowerUnknowns = 8;

/**
 * Every real solution of as many power equations as there are unknowns, where they are isolated.
 *
 * One unknown: the quadratic. More: homotopy from t² = 1 with all 2ⁿ ways followed through the complex numbers, each found twice
 * if two fall together (Morgan, "Solving polynomial systems using continuation", 1987).
 */
export function solvePowers(equations: readonly PowerEquation[]): number[][] {
  const unknowns = equations.length;
  if (unknowns === 0 || unknowns > mostPowerUnknowns) return [];
  const scales = scalesOf(equations);
  const scaled = equations.map((equation) => scaledBy(equation, scales));
  const found = unknowns === 1 ? quadratic(scaled[0]!) : followAll(scaled);
  return found.map((solution) => solution.map((t, k) => t * scales[k]!));
}

/** Returns the scales of the unknowns: each brings its unknown to about 1, as far as the coefficients allow. */
function scalesOf(equations: readonly PowerEquation[]): number[] {
  const scales = equations.map(() => 1);
  for (let round = 0; round < 20; round += 1)
    for (let k = 0; k < scales.length; k += 1) {
      const wanted: number[] = [];
      for (const { voltage, current, power } of equations)
        for (const [own, other] of [
          [voltage, current],
          [current, voltage],
        ] as const) {
          const slope = Math.abs(own.coefficients[k]!);
          if (slope === 0) continue;
          if (own.constant !== 0) wanted.push(Math.log(Math.abs(own.constant) / slope));
          const size = sizeAt(other, scales);
          if (size > 0 && power !== 0) wanted.push(Math.log(Math.abs(power) / size / slope));
        }
      if (wanted.length > 0) scales[k] = Math.exp(wanted.reduce((sum, one) => sum + one, 0) / wanted.length);
    }
  return scales;
}

const sizeAt = ({ coefficients, constant }: PlainForm, scales: readonly number[]): number =>
  coefficients.reduce((most, c, k) => Math.max(most, Math.abs(c * scales[k]!)), Math.abs(constant));

function scaledBy({ voltage, current, power }: PowerEquation, scales: readonly number[]): PowerEquation {
  const scale = ({ coefficients, constant }: PlainForm, by: number): PlainForm => ({
    coefficients: coefficients.map((c, k) => (c * scales[k]!) / by),
    constant: constant / by,
  });
  const [volts, amperes] = [sizeAt(voltage, scales) || 1, sizeAt(current, scales) || 1];
  return { voltage: scale(voltage, volts), current: scale(current, amperes), power: power / volts / amperes };
}

function quadratic({ voltage, current, power }: PowerEquation): number[][] {
  const [a, b] = [voltage.coefficients[0]!, current.coefficients[0]!];
  const square = a * b;
  const slope = a * current.constant + b * voltage.constant;
  const rest = voltage.constant * current.constant - power;
  if (square === 0) return slope === 0 ? [] : [[-rest / slope]];
  const discriminant = slope * slope - 4 * square * rest;
  const size = slope * slope + Math.abs(4 * square * rest);
  if (Math.abs(discriminant) <= doubleRoot * size) return [[-slope / 2 / square]];
  if (discriminant < 0) return [];
  const far = -(slope + (slope < 0 ? -1 : 1) * Math.sqrt(discriminant)) / 2;
  return [[far / square], [rest / far]];
}

/** Complex numbers as re and im in turn: a vector of n has 2n places. */
function followAll(equations: readonly PowerEquation[]): number[][] {
  const n = equations.length;
  const solutions: number[][] = [];
  for (let way = 0; way < 2 ** n; way += 1) {
    const start = new Float64Array(2 * n);
    for (let k = 0; k < n; k += 1) start[2 * k] = (way >> k) & 1 ? 1 : -1;
    const end = follow(equations, start);
    if (!end) continue;
    const size = Math.max(...end.map(Math.abs), leastSize);
    const real = Array.from({ length: n }, (_, k) => end[2 * k]!);
    if (real.some((_, k) => Math.abs(end[2 * k + 1]!) > sameSolution * size)) continue;
    const twice = solutions.some((other) => other.every((t, k) => Math.abs(t - real[k]!) <= sameSolution * size));
    if (!twice) solutions.push(real);
  }
  return solutions;
}
