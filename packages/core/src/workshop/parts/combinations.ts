import { seriesValues, type Series } from '../../quantity/index.ts';
import type { Combination } from '../scheme/design.ts';

/** First relative distance around a wanted value in which combinations are searched. */
const firstDistance = 1e-9;

/** Difference of two distances that is rounding. */
const sameDistance = 1e-13;

/** Ω between which resistors can be bought. */
const [smallest, largest] = [1e-3, 1e9];

/** Every value of a series that can be bought, Ω, rising. */
export function buyableValues(series: Series): Float64Array {
  const figures = seriesValues(series);
  const values: number[] = [];
  for (let decade = Math.log10(smallest); decade < Math.log10(largest); decade += 1)
    for (const figure of figures) values.push(Number(`${Number(figure.toPrecision(6))}e${decade}`));
  return Float64Array.from(values);
}

/** Values to combine, Ω and S, both rising. */
export interface Drawer {
  readonly values: Float64Array;
  readonly conductances: Float64Array;
}

/** A drawer of rising values, Ω. */
export const drawerOf = (values: Float64Array): Drawer => ({
  values,
  conductances: Float64Array.from(values, (value) => 1 / value).reverse(),
});

/**
 * Every combination of up to `maxParts` resistors, one, in series or in parallel, whose resistance lies within bounds.
 *
 * In series the largest is at least a third of the sum and the next at least half of what is left, so only such are looked at;
 * in parallel the same holds for the conductances.
 *
 * @param low   Ω
 * @param high  Ω
 */
export function combinationsWithin(low: number, high: number, drawer: Drawer, maxParts: number): Combination[] {
  const { values, conductances } = drawer;
  const found: Combination[] = [];
  for (let k = firstAtLeast(values, low); k < values.length && values[k]! <= high; k += 1)
    found.push({ values: [values[k]!], joined: 'single', resistance: values[k]! });
  if (maxParts < 2) return found;
  sumsWithin(low, high, values, maxParts, (places) => {
    const parts = places.map((k) => values[k]!).reverse();
    found.push({ values: parts, joined: 'series', resistance: parts.reduce((sum, value) => sum + value, 0) });
  });
  sumsWithin(1 / high, 1 / low, conductances, maxParts, (places) => {
    const parts = places.map((k) => values[values.length - 1 - k]!);
    const resistance = 1 / parts.reduce((sum, value) => sum + 1 / value, 0);
    // The bounds were turned over, and rounded with that.
    if (resistance >= low && resistance <= high) found.push({ values: parts, joined: 'parallel', resistance });
  });
  return found;
}

/** Sums of two and three rising values within bounds, as their places, the largest first. */
function sumsWithin(
  low: number,
  high: number,
  values: Float64Array,
  maxParts: number,
  take: (places: readonly number[]) => void,
): void {
  for (let i = firstAtLeast(values, low / maxParts); i < values.length && values[i]! < high; i += 1) {
    const a = values[i]!;
    for (let j = firstAtLeast(values, low - a); j <= i && a + values[j]! <= high; j += 1) take([i, j]);
    if (maxParts < 3) continue;
    for (let j = firstAtLeast(values, (low - a) / 2); j <= i && a + values[j]! < high; j += 1) {
      const ab = a + values[j]!;
      for (let k = firstAtLeast(values, low - ab); k <= j && ab + values[k]! <= high; k += 1) take([i, j, k]);
    }
  }
}

/**
 * The combination that comes nearest to a resistance by ratio; of equally near ones that of the fewest parts. Where nothing of
 * the drawer comes near, the end of what it can make.
 *
 * @param allowed  which combinations may be taken
 * @returns null if none may
 */
export function nearestCombination(
  target: number,
  drawer: Drawer,
  maxParts: number,
  allowed: (combination: Combination) => boolean = () => true,
): Combination | null {
  const off = ({ resistance }: Combination): number => Math.abs(Math.log(resistance / target));
  for (let factor = 1 + firstDistance; factor < 2; factor = 1 + (factor - 1) * 4) {
    const found = combinationsWithin(target / factor, target * factor, drawer, maxParts).filter(allowed);
    if (found.length > 0)
      return found.reduce((best, next) => {
        const nearer = off(next) - off(best);
        return nearer < -sameDistance || (nearer < sameDistance && next.values.length < best.values.length)
          ? next
          : best;
      });
  }
  // Far off: equal parts, which reach from the least to the most that there is.
  const equal = [...drawer.values].flatMap((value) =>
    Array.from({ length: maxParts }, (_, n) => n + 1).flatMap((n): Combination[] => {
      const values = Array<number>(n).fill(value);
      if (n === 1) return [{ values, joined: 'single', resistance: value }];
      return [
        { values, joined: 'series', resistance: n * value },
        { values, joined: 'parallel', resistance: value / n },
      ];
    }),
  );
  return (
    equal
      .filter(allowed)
      .sort((a, b) => off(a) - off(b))
      .at(0) ?? null
  );
}

function firstAtLeast(values: Float64Array, x: number): number {
  let [low, high] = [0, values.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (values[middle]! < x) low = middle + 1;
    else high = middle;
  }
  return low;
}
