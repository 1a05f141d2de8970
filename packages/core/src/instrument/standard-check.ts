import { readingUncertainty } from './accuracy.ts';
import { smallestStep } from './display.ts';
import type { Instrument, Range, RangeCalibration, ResistanceRange } from './instrument.ts';

type Point = RangeCalibration['points'][number];

/** A range against a standard at one point, V, A or Ω. */
interface CheckedPoint extends Point {
  /** indicated − applied. */
  readonly error: number;
  /** Limit of the instrument's specification: accuracy and half the smallest step. */
  readonly limit: number;
  /** `open`: the standard is not good enough to decide. Null until the uncertainty of the standard is given. */
  readonly verdict: 'within' | 'outside' | 'open' | null;
}

/** Result of the check of a range against a standard. */
export interface StandardCheck {
  readonly points: readonly CheckedPoint[];
  /** U, k = 2, of each error: the standard and the smallest step of the instrument, V, A or Ω. */
  readonly uncertainty: number;
}

/**
 * A range's errors against a standard, each judged with the uncertainty on the safe side: within where |error| + U is inside the
 * limit, outside where |error| − U is beyond it, open between the two.
 *
 * U² = U_s² + (2·r/√3)², with r half the smallest step, taken as rectangular.
 *
 * @param standard  U_s of the standard, k = 2, V, A or Ω; null if it is not known: nothing is judged then
 */
export function checkAgainstStandard(
  instrument: Instrument,
  range: Range | ResistanceRange,
  points: readonly Point[],
  standard: number | null,
): StandardCheck {
  const { calibration: _former, ...specified } = range;
  const half = smallestStep(instrument, range) / 2;
  const uncertainty = Math.hypot(standard ?? 0, (2 * half) / Math.sqrt(3));
  const checked = points.map((point): CheckedPoint => {
    const { accuracy, resolution } = readingUncertainty(instrument, specified, point.indicated);
    const error = point.indicated - point.applied;
    const limit = accuracy + resolution;
    const size = Math.abs(error);
    if (standard === null) return { ...point, error, limit, verdict: null };
    const verdict = size + uncertainty <= limit ? 'within' : size - uncertainty > limit ? 'outside' : 'open';
    return { ...point, error, limit, verdict };
  });
  return { points: checked, uncertainty };
}

/** Values to check a range at, V, A or Ω: a tenth, a quarter, half, three quarters and nearly all of it, in two digits. */
export const pointsToCheck = ({ fullScale }: { readonly fullScale: number }): number[] =>
  [0.1, 0.25, 0.5, 0.75, 0.95].map((share) => Number((share * fullScale).toPrecision(2)));

/** A certificate of some points, V, A or Ω, in rising order; `uncertainty` is its U, k = 2. */
export const certificateFrom = (on: string, points: readonly Point[], uncertainty: number): RangeCalibration => ({
  on,
  points: [...points]
    .sort((a, b) => a.indicated - b.indicated)
    .map(({ applied, indicated }) => ({ applied, indicated })),
  uncertainty,
});
