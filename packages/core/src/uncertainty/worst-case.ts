import type { ToleranceModel } from './tolerance-model.ts';

/** The least and the most that a result can be with every resistor within its tolerance. */
export interface WorstCase {
  readonly minimum: number;
  readonly maximum: number;
  /** Whether each part is at its upper limit there. */
  readonly minimumAt: readonly boolean[];
  readonly maximumAt: readonly boolean[];
  /** Whether every corner was tried; beyond 16 parts the corners are searched, part by part, from several starts. */
  readonly everyCorner: boolean;
}

/** Parts up to which every corner of the tolerance box is tried. */
const mostParts = 16;

/**
 * The extremes of a voltage or current over the tolerance box, which are at corners: each is monotonic in each resistance.
 * A power can in rare cases be larger inside; the samples show it then.
 *
 * The corners are walked in Gray code, one part at a time.
 */
export function worstCase(model: ToleranceModel): WorstCase {
  const { parts } = model;
  const limits = parts.map(({ resistance, tolerance }) => [resistance * (1 - tolerance), resistance * (1 + tolerance)]);
  return parts.length <= mostParts ? walkCorners(model, limits) : searchCorners(model, limits);
}

function walkCorners(model: ToleranceModel, limits: readonly (readonly number[])[]): WorstCase {
  const n = limits.length;
  const at = Float64Array.from(limits, ([low]) => low!);
  let corner = 0;
  let [minimum, maximum, minimumAt, maximumAt] = [Infinity, -Infinity, 0, 0];
  for (let count = 0; count < 1 << n; count += 1) {
    if (count > 0) {
      const part = 31 - Math.clz32(count & -count);
      corner ^= 1 << part;
      at[part] = limits[part]![(corner >> part) & 1]!;
    }
    const value = model.valueAt(at);
    if (value < minimum) [minimum, minimumAt] = [value, corner];
    if (value > maximum) [maximum, maximumAt] = [value, corner];
  }
  const sides = (bits: number) => limits.map((_, part) => ((bits >> part) & 1) === 1);
  return { minimum, maximum, minimumAt: sides(minimumAt), maximumAt: sides(maximumAt), everyCorner: true };
}

/** From all low, all high, and the corner that the slopes point to: parts change sides as long as that helps. */
function searchCorners(model: ToleranceModel, limits: readonly (readonly number[])[]): WorstCase {
  const n = limits.length;
  const climb = (sign: 1 | -1, start: readonly boolean[]): { value: number; sides: readonly boolean[] } => {
    const sides = [...start];
    const at = Float64Array.from(limits, (pair, part) => pair[Number(sides[part])]!);
    let best = sign * model.valueAt(at);
    for (let idle = 0, part = 0; idle < n; part = (part + 1) % n) {
      at[part] = limits[part]![Number(!sides[part])]!;
      const value = sign * model.valueAt(at);
      if (value > best) {
        best = value;
        sides[part] = !sides[part];
        idle = 0;
      } else {
        at[part] = limits[part]![Number(sides[part])]!;
        idle += 1;
      }
    }
    return { value: sign * best, sides };
  };
  const rising = limits.map((pair, part) => {
    const at = Float64Array.from(model.parts, ({ resistance }) => resistance);
    at[part] = pair[1]!;
    const high = model.valueAt(at);
    at[part] = pair[0]!;
    return high > model.valueAt(at);
  });
  const starts = (up: boolean) => [rising.map((r) => r === up), rising.map(() => true), rising.map(() => false)];
  const maximum = starts(true)
    .map((start) => climb(1, start))
    .reduce((a, b) => (b.value > a.value ? b : a));
  const minimum = starts(false)
    .map((start) => climb(-1, start))
    .reduce((a, b) => (b.value < a.value ? b : a));
  return {
    minimum: minimum.value,
    maximum: maximum.value,
    minimumAt: minimum.sides,
    maximumAt: maximum.sides,
    everyCorner: false,
  };
}
