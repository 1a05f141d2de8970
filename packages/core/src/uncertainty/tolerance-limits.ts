import { isToleranced, spanOf, type Network } from '../network/index.ts';
import { quickCircuit, type Circuit, type QuickCircuit } from '../solver/index.ts';

/** A resistance that may be off: its branch, and how far either way, Ω. */
export interface Toleranced {
  readonly branch: number;
  readonly span: number;
}

/** The resistors of a network that may be off. */
export const tolerancedParts = (network: Network): Toleranced[] =>
  network.elements.flatMap((part, branch) => (isToleranced(network, part) ? [{ branch, span: spanOf(part) }] : []));

/** Output of a circuit: the voltage of one node above another, or the current of a branch. */
export type CircuitOutput =
  | { readonly from: number; readonly to: number; readonly branch?: undefined }
  | { readonly branch: number; readonly reversed?: boolean };

/** Effect of tolerances on an output. */
export interface ToleranceResponse {
  /** V or A that the output changes with each resistance at its upper limit, to first order. */
  readonly slopes: Float64Array;
  /**
   * V or A that the output changes by at every corner of the tolerance box: bit k of the index is part k at its upper limit.
   * Empty beyond `mostCornerParts`.
   */
  atCorners(): Float64Array;
}

/** Parts up to which every corner is tried; beyond, first-order changes are added up. */
export const mostCornerParts = 16;

/**
 * Returns the effect of the tolerances of some resistances on one output of a circuit.
 *
 * A change Δ of a resistance is an EMF of Δ times its current in series with it, so each corner follows from the responses of
 * the circuit as it is to 1 V in each of these branches, by changes of rank one: fixing one resistance after the other, the
 * rest shrinks, and all 2ⁿ corners cost a few times 2ⁿ operations. Where loads are not ohmic the responses are those of their
 * tangents, and each corner is solved, up to `mostCornersAnew` parts; beyond, corners are to first order.
 *
 * @returns null if nothing determines the output
 */
export function toleranceResponse(
  circuit: Circuit,
  toleranced: readonly Toleranced[],
  output: CircuitOutput,
): ToleranceResponse | null {
  const quick = quickCircuit(circuit, []);
  if (!quick) return null;
  const n = toleranced.length;
  const read = (): number => readOutput(quick, output);
  quick.solve([]);
  if (Number.isNaN(read())) return null;
  const currents = Float64Array.from(toleranced, ({ branch }) => determined(quick.current(branch)));
  const adjoint = n > mostCornerParts ? driveOutput(quick, circuit, output) : 0;
  if (adjoint !== 0) {
    const effect = Float64Array.from(toleranced, ({ branch }) => adjoint * determined(quick.current(branch)));
    return responseOf(toleranced, { currents, effect, ports: null });
  }
  const effect = new Float64Array(n);
  const ports = n > mostCornerParts ? null : new Float64Array(n * n);
  for (let j = 0; j < n; j += 1) {
    quick.drive(toleranced[j]!.branch);
    effect[j] = read();
    for (let i = 0; ports && i < n; i += 1) ports[i * n + j] = determined(quick.current(toleranced[i]!.branch));
  }
  const response = responseOf(toleranced, { currents, effect, ports });
  if (!ports || circuit.branches.every(({ law }) => !law)) return response;
  let corners: Float64Array | null = null;
  const { slopes } = response;
  return { slopes, atCorners: () => (corners ??= cornersAnew(circuit, toleranced, output) ?? sumsOf(slopes)) };
}

/** Parts up to which every corner is solved for, where loads are not ohmic. */
const mostCornersAnew = 10;

function readOutput(quick: QuickCircuit, output: CircuitOutput): number {
  if (output.branch === undefined) return quick.voltage(output.from, output.to);
  return output.reversed ? -quick.current(output.branch) : quick.current(output.branch);
}

/** Every corner solved for, each from the one before it, one part's limit away; null if they are too many. */
function cornersAnew(circuit: Circuit, toleranced: readonly Toleranced[], output: CircuitOutput): Float64Array | null {
  const n = toleranced.length;
  const quick =
    n > mostCornersAnew
      ? null
      : quickCircuit(
          circuit,
          toleranced.map(({ branch }) => branch),
        );
  if (!quick) return null;
  const own = toleranced.map(({ branch }) => circuit.branches[branch]!.resistance.hi);
  quick.solve(own);
  const nominal = readOutput(quick, output);
  const corners = new Float64Array(1 << n);
  for (let count = 0; count < corners.length; count += 1) {
    const corner = count ^ (count >> 1);
    quick.solve(own.map((ohms, k) => ohms + (corner & (1 << k) ? 1 : -1) * toleranced[k]!.span));
    corners[corner] = readOutput(quick, output) - nominal;
  }
  return corners;
}

/** Corners to first order. */
const sumsOf = (slopes: Float64Array): Float64Array =>
  Float64Array.from({ length: 1 << slopes.length }, (_, corner) =>
    slopes.reduce((sum, slope, k) => sum + (corner & (1 << k) ? slope : -slope), 0),
  );

/** A circuit as its toleranced resistances see it. */
export interface ToleranceResponses {
  /** A in each. */
  readonly currents: Float64Array;
  /** Change of the output for 1 V in each. */
  readonly effect: Float64Array;
  /** A in one (row) for 1 V in another (column); null if corners are not wanted. */
  readonly ports: Float64Array | null;
}

/** First-order changes and corners from the responses. */
export function responseOf(toleranced: readonly Toleranced[], responses: ToleranceResponses): ToleranceResponse {
  const { currents, effect } = responses;
  const slopes = Float64Array.from(toleranced, ({ span }, j) => effect[j]! * currents[j]! * span);
  let corners: Float64Array | null = null;
  return { slopes, atCorners: () => (corners ??= cornersOf(responses, toleranced)) };
}

/**
 * Drives a circuit from its output: by reciprocity each branch then carries what 1 V in it makes of the output.
 *
 * @returns the sign that the branches' currents are to be taken with; 0 if the output cannot be driven
 */
function driveOutput(quick: QuickCircuit, { branches }: Circuit, output: CircuitOutput): number {
  if (output.branch === undefined) {
    quick.inject(output.from, output.to);
    return 1;
  }
  if (branches[output.branch]!.kind !== 'resistance') return 0;
  quick.drive(output.branch);
  return output.reversed ? -1 : 1;
}

/** A branch that nothing determines changes nothing. */
export const determined = (value: number): number => (Number.isNaN(value) ? 0 : value);

/** Fixes the last resistance at either limit, then the one before it, down to none. */
function cornersOf({ currents, effect, ports }: ToleranceResponses, toleranced: readonly Toleranced[]): Float64Array {
  const n = toleranced.length;
  if (!ports) return new Float64Array();
  // Row and column n: the currents, and the change of the output.
  const whole = new Float64Array((n + 1) ** 2);
  for (let i = 0; i < n; i += 1) {
    for (let j = 0; j < n; j += 1) whole[i * (n + 1) + j] = ports[i * n + j]!;
    whole[i * (n + 1) + n] = currents[i]!;
    whole[n * (n + 1) + i] = effect[i]!;
  }
  const corners = new Float64Array(1 << toleranced.length);
  const levels = toleranced.map((_, k) => new Float64Array((k + 1) ** 2));
  const fix = (left: number, at: Float64Array, corner: number): void => {
    if (left === 1) {
      const { span } = toleranced[0]!;
      const effect = at[1]! * at[2]!;
      corners[corner] = at[3]! - (span * effect) / (1 + span * at[0]!);
      corners[corner | 1] = at[3]! + (span * effect) / (1 - span * at[0]!);
      return;
    }
    const part = left - 1;
    const width = left + 1;
    const next = levels[part]!;
    for (let side = 0; side < 2; side += 1) {
      const change = side === 1 ? toleranced[part]!.span : -toleranced[part]!.span;
      const gain = change / (1 - change * at[part * width + part]!);
      // The row and the column of the part that is fixed are left out: the last one closes up.
      for (let i = 0, to = 0; i < width; i += 1) {
        if (i === part) continue;
        const factor = gain * at[i * width + part]!;
        for (let j = 0; j < width; j += 1) {
          if (j === part) continue;
          next[to++] = at[i * width + j]! + factor * at[part * width + j]!;
        }
      }
      fix(part, next, corner | (side << part));
    }
  };
  if (toleranced.length > 0) fix(toleranced.length, whole, 0);
  return corners;
}

/** The least and the most of a sum of outputs over one tolerance box, beside its nominal value. */
export function toleranceLimits(
  nominal: number,
  responses: readonly ToleranceResponse[],
  signs: readonly number[] = [1],
): { readonly low: number; readonly high: number } {
  const n = responses[0]?.slopes.length ?? 0;
  if (n === 0) return { low: nominal, high: nominal };
  if (n > mostCornerParts) {
    let span = 0;
    for (let k = 0; k < n; k += 1)
      span += Math.abs(responses.reduce((sum, { slopes }, term) => sum + signs[term]! * slopes[k]!, 0));
    return { low: nominal - span, high: nominal + span };
  }
  const corners = responses.map((response) => response.atCorners());
  let [least, most] = [Infinity, -Infinity];
  for (let corner = 0; corner < 1 << n; corner += 1) {
    let change = 0;
    for (let term = 0; term < corners.length; term += 1) change += signs[term]! * corners[term]![corner]!;
    if (change < least) least = change;
    if (change > most) most = change;
  }
  return { low: nominal + least, high: nominal + most };
}
