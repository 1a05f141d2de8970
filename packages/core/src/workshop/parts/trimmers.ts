import type { Series } from '../../quantity/index.ts';
import { buyableValues } from './combinations.ts';

/** Relative rounding of a trimmer's minimum. */
const rounding = 1e-12;

/** A section made of a fixed part and a trimmer, to be set against a standard. */
export interface Trimmed {
  /** In series with the trimmer, or, if the trimmer's contact would matter, across trimmer and stopper. */
  readonly arranged: 'in-series' | 'across';
  /** Ω, of the series. */
  readonly fixed: number;
  /** Ω from end to end. */
  readonly trimmer: number;
  /** Ω in series with the trimmer where they lie across the fixed part; 0 in series. */
  readonly stopper: number;
  /** Ω that it can be set to for sure, with every part at the worse end of its tolerance. */
  readonly surely: readonly [number, number];
}

/** Ω below which a section is trimmed from across: a sliding contact is some tens of milliohms. */
const contactMatters = 100;

/** Usual tolerance of a trimmer's whole resistance. */
const trimmerTolerance = 0.1;

/**
 * The fixed part and the smallest trimmer, of the 1-2-5 sequence, that reach a resistance from both sides whatever the parts'
 * tolerance.
 *
 * @param cover  share of the target that must be within reach to either side, for the movement's own uncertainty
 * @returns null if the series has no such part
 */
export function trimmedSection(target: number, series: Series, tolerance: number, cover: number): Trimmed | null {
  const [low, high] = [target * (1 - cover), target * (1 + cover)];
  if (target >= contactMatters) {
    const fixed = largestUpTo(buyableValues(series), low / (1 + tolerance));
    if (fixed === undefined) return null;
    const trimmer = oneTwoFive((high - fixed * (1 - tolerance)) / (1 - trimmerTolerance));
    const surely = [fixed * (1 + tolerance), fixed * (1 - tolerance) + trimmer * (1 - trimmerTolerance)] as const;
    return { arranged: 'in-series', fixed, trimmer, stopper: 0, surely };
  }
  // From across: the fixed part alone must reach the top, and the stopper bring it down to the bottom.
  const fixed = buyableValues(series).find((value) => value * (1 - tolerance) > high);
  if (fixed === undefined) return null;
  const conductance = (wanted: number, at: number): number => 1 / wanted - 1 / at;
  const minimum = 1 / conductance(low, fixed * (1 + tolerance));
  const maximum = 1 / conductance(high, fixed * (1 - tolerance));
  const stopper = largestUpTo(buyableValues(series), minimum / (1 + tolerance));
  if (stopper === undefined) return null;
  const trimmer = oneTwoFive((maximum - stopper * (1 - tolerance)) / (1 - trimmerTolerance));
  const beside = (part: number, resistance: number): number => (part * resistance) / (part + resistance);
  const surely = [
    beside(fixed * (1 + tolerance), stopper * (1 + tolerance)),
    beside(fixed * (1 - tolerance), stopper * (1 - tolerance) + trimmer * (1 - trimmerTolerance)),
  ] as const;
  return { arranged: 'across', fixed, trimmer, stopper, surely };
}

const largestUpTo = (values: Float64Array, maximum: number): number | undefined =>
  values.findLast((value) => value <= maximum);

/** The smallest of 1, 2 and 5 in any decade that is enough. */
function oneTwoFive(minimum: number): number {
  const decade = Math.floor(Math.log10(minimum));
  for (const power of [decade, decade + 1])
    for (const figure of [1, 2, 5]) {
      const value = Number(`${figure}e${power}`);
      if (value >= minimum * (1 - rounding)) return value;
    }
  return minimum;
}
