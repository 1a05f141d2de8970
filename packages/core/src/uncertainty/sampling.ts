import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { ToleranceModel } from './tolerance-model.ts';

/** Share of its nominal value below which no drawn resistance falls, so that it stays above zero. */
const leastShare = 1e-9;

/** Number and seed of random samples. */
export interface Sampling {
  readonly count: number;
  /** The same seed draws the same values again. */
  readonly seed: number;
  /** Evenly between the limits, or normal with the tolerance at three standard deviations. */
  readonly spread: 'rectangular' | 'normal';
}

/** Statistics of a sampled result, V, A or W. */
export interface SampleSummary {
  readonly count: number;
  readonly mean: number;
  /** Standard deviation. */
  readonly deviation: number;
  /** Between these lie the middle 95 %. */
  readonly low: number;
  readonly high: number;
  readonly minimum: number;
  readonly maximum: number;
  /** Equal steps from the least to the most, with how many fell into each. */
  readonly bins: readonly number[];
}

const batch = 2000;
const binCount = 40;

/**
 * Draws every toleranced resistance at random, over and over, and looks at the result.
 *
 * It yields the number of draws done after each batch, so that its caller can show progress or leave off.
 */
export function* sampleTolerance(
  { parts, valueAt }: ToleranceModel,
  { count, seed, spread }: Sampling,
): Generator<number, SampleSummary> {
  const generator = xoroshiro128plus(seed);
  const values = new Float64Array(count);
  const at = new Float64Array(parts.length);
  const deviate =
    spread === 'rectangular'
      ? () => 2 * uniformFloat64(generator) - 1
      : // Box and Muller 1958; a third, for the tolerance is three standard deviations.
        () =>
          (Math.sqrt(-2 * Math.log(1 - uniformFloat64(generator))) *
            Math.cos(2 * Math.PI * uniformFloat64(generator))) /
          3;
  for (let done = 0; done < count;) {
    for (const end = Math.min(count, done + batch); done < end; done += 1) {
      for (let part = 0; part < at.length; part += 1) {
        const { resistance, tolerance } = parts[part]!;
        at[part] = resistance * Math.max(leastShare, 1 + tolerance * deviate());
      }
      values[done] = valueAt(at);
    }
    yield done;
  }
  return summary(values.sort());
}

function summary(sorted: Float64Array): SampleSummary {
  const count = sorted.length;
  const [minimum, maximum] = [sorted[0]!, sorted[count - 1]!];
  // Deviations from one of the values: nothing large is squared and subtracted.
  const origin = sorted[count >> 1]!;
  let [sum, squares] = [0, 0];
  const bins = new Array<number>(binCount).fill(0);
  for (const value of sorted) {
    sum += value - origin;
    squares += (value - origin) ** 2;
    const place = maximum > minimum ? Math.floor(((value - minimum) / (maximum - minimum)) * binCount) : 0;
    bins[Math.min(binCount - 1, place)]! += 1;
  }
  const off = sum / count;
  const deviation = count > 1 ? Math.sqrt(Math.max(0, squares - count * off * off) / (count - 1)) : 0;
  return {
    count,
    mean: origin + off,
    deviation,
    low: quantile(sorted, 0.025),
    high: quantile(sorted, 0.975),
    minimum,
    maximum,
    bins,
  };
}

function quantile(sorted: Float64Array, share: number): number {
  const place = share * (sorted.length - 1);
  const below = Math.floor(place);
  const next = sorted[Math.min(below + 1, sorted.length - 1)]!;
  return sorted[below]! + (place - below) * (next - sorted[below]!);
}
