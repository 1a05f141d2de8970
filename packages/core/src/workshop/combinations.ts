import { seriesValues, type Series } from '../quantity/index.ts';
import type { Combination } from './design.ts';

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

/**
 * The combinations of up to three resistors that come nearest to a resistance, the nearest first; of equally near ones the
 * one of fewer parts.
 *
 * Every combination that can be near is looked at: in series the largest is at least a third of the sum, the next at least
 * half of what is left, and the last the nearest to the rest; side by side the same holds for the conductances.
 *
 * @param count  how many are wanted
 */
export function nearestCombinations(
  target: number,
  values: Float64Array,
  maxParts: number,
  count: number,
): Combination[] {
  const found: Combination[] = [];
  const reciprocal = Float64Array.from(values, (value) => 1 / value).reverse();
  // How many singles stand at each side: enough to fill the list by themselves.
  for (const value of around(values, target, count)) found.push(combine([value], 'single'));
  if (maxParts > 1) {
    gather(target, values, maxParts, count, (parts) => found.push(combine(parts, 'series')));
    gather(1 / target, reciprocal, maxParts, count, (parts) =>
      found.push(combine(parts.map((g) => nearestTo(values, 1 / g)).reverse(), 'parallel')),
    );
  }
  const off = ({ resistance }: Combination): number => Math.abs(Math.log(resistance / target));
  const seen = new Set<string>();
  return found
    .sort((a, b) => (Math.abs(off(a) - off(b)) < 1e-13 ? a.values.length - b.values.length : off(a) - off(b)))
    .filter(({ values: of, joined }) => {
      const key = `${joined} ${of.join()}`;
      return !seen.has(key) && seen.add(key);
    })
    .slice(0, count);
}

/** A sum may also fall short of its target: then its largest is the last value below the share that it would have. */
const before = (index: number): number => Math.max(0, index - 1);

/** Sums of two or three values near a target. */
function gather(
  target: number,
  values: Float64Array,
  maxParts: number,
  count: number,
  take: (parts: readonly number[]) => void,
): void {
  const each = Math.max(2, Math.ceil(count / 20));
  for (let i = before(firstAtLeast(values, target / maxParts)); i < values.length && values[i]! < target; i += 1) {
    const a = values[i]!;
    for (const b of around(values, target - a, each)) if (b <= a) take([b, a]);
    if (maxParts < 3) continue;
    const rest = target - a;
    for (
      let j = before(firstAtLeast(values, rest / 2));
      j < values.length && values[j]! < rest && values[j]! <= a;
      j += 1
    ) {
      const b = values[j]!;
      for (const c of around(values, rest - b, 2)) if (c <= b) take([c, b, a]);
    }
  }
}

function combine(values: readonly number[], joined: Combination['joined']): Combination {
  const resistance =
    joined === 'parallel'
      ? 1 / values.reduce((sum, value) => sum + 1 / value, 0)
      : values.reduce((sum, value) => sum + value, 0);
  return { values, joined, resistance };
}

/** Up to `count` values nearest to x, half of them at each side. */
function around(values: Float64Array, x: number, count: number): Float64Array {
  const at = firstAtLeast(values, x);
  const half = Math.max(1, Math.ceil(count / 2));
  return values.subarray(Math.max(0, at - half), Math.min(values.length, at + half));
}

function nearestTo(values: Float64Array, x: number): number {
  const at = firstAtLeast(values, x * (1 - 1e-9));
  return values[Math.min(at, values.length - 1)]!;
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
