import {
  displayToExpect,
  indicatedWhen,
  rangesOf,
  readingUncertainty,
  type Instrument,
  type MeterQuantity,
  type Range,
} from '../instrument/index.ts';
import { correctedValue, stateOn } from './corrected-value.ts';
import { shareTaken, type MeasurementPoint, type PointValues } from './measurement-point.ts';

/** What one range would indicate at a measurement point. Everything in V or A unless stated otherwise. */
export interface RangeIndication {
  readonly instrument: Instrument;
  readonly range: Range;
  readonly indicated: number;
  /** As the instrument displays it, its own error included. */
  readonly display: string | null;
  readonly unit: string;
  /** Anything but `ok` cannot be read on this range. */
  readonly state: ReturnType<typeof stateOn>;
  /** indicated − true, and the same over true; null if true is not known, the ratio also if it is 0. */
  readonly loading: number | null;
  readonly relativeLoading: number | null;
  /** Share of the ideal indication that the meter takes. */
  readonly taken: number;
  /** Share of full scale. */
  readonly deflection: number;
  readonly accuracy: number;
  readonly resolution: number;
  /** indicated − applied of the instrument itself, by its certificate; 0 without one. */
  readonly ownError: number;
  /** Worst case of the uncorrected indication: |loading + own error| + accuracy + resolution. */
  readonly uncorrected: number | null;
}

/** The same with the uncertainty that is left after correction. */
export interface RangeOption extends RangeIndication {
  /** U, k = 2, of the corrected value; null if nothing leads back to the true value. */
  readonly corrected: number | null;
}

/**
 * Returns what every range of some instruments would indicate at a measurement point, as listed.
 *
 * @returns none if nothing determines the indication there
 */
export function rangeIndications(
  point: PointValues,
  quantity: MeterQuantity,
  instruments: readonly Instrument[],
): RangeIndication[] {
  const { ideal, truth } = point;
  if (ideal === null) return [];
  return instruments.flatMap((instrument) =>
    rangesOf(instrument, quantity).flatMap((range): RangeIndication[] => {
      const taken = shareTaken(point, range.resistance, quantity);
      if (taken === null) return [];
      const indicated = ideal * (1 - taken);
      const { accuracy, resolution } = readingUncertainty(instrument, range, indicated);
      const ownError = indicatedWhen(range.calibration, indicated) - indicated;
      const alone = truth === ideal;
      const loading = truth === null ? null : alone ? 0 - truth * taken : indicated - truth;
      return [
        {
          instrument,
          range,
          indicated,
          ...displayToExpect(instrument, quantity, range, indicated),
          state: stateOn(instrument, range, indicated),
          loading,
          relativeLoading: truth === null || truth === 0 ? null : alone ? 0 - taken : loading! / truth,
          taken,
          deflection: indicated / range.fullScale,
          accuracy,
          resolution,
          ownError,
          uncorrected: loading === null ? null : Math.abs(loading + ownError) + accuracy + resolution,
        },
      ];
    }),
  );
}

/** Returns the range table of some instruments at a measurement point: every range, as listed. */
export const rangeTable = (
  point: MeasurementPoint,
  quantity: MeterQuantity,
  instruments: readonly Instrument[],
): RangeOption[] =>
  rangeIndications(point, quantity, instruments).map((option): RangeOption => {
    const { instrument, range, indicated } = option;
    const correction = point.correctionOn(range);
    const isBack = correction !== null && correction.factor !== 0;
    return {
      ...option,
      corrected: isBack ? correctedValue(correction, { instrument, range, value: indicated }).uncertainty : null,
    };
  });

/** Returns the range options that are best uncorrected and best corrected; null if none can be read. */
export function bestRangeOptions(options: readonly RangeOption[]): {
  readonly uncorrected: RangeOption | null;
  readonly corrected: RangeOption | null;
} {
  const readable = options.filter(({ state }) => state === 'ok');
  const least = (of: (option: RangeOption) => number | null): RangeOption | null =>
    readable.reduce<RangeOption | null>((best, option) => {
      const value = of(option);
      if (value === null) return best;
      return best === null || value < of(best)! ? option : best;
    }, null);
  return { uncorrected: least((option) => option.uncorrected), corrected: least((option) => option.corrected) };
}
