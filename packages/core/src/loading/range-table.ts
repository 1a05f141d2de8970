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
import { indicationAt, type Indication, type MeasurementPoint, type PointValues } from './measurement-point.ts';

/** Indication of one range at a measurement point. All in V or A unless stated otherwise. */
export interface RangeIndication extends Indication {
  readonly instrument: Instrument;
  readonly range: Range;
  /** As the instrument displays it, its own error included. */
  readonly display: string | null;
  readonly unit: string;
  /** Anything but `ok` cannot be read on this range. */
  readonly state: ReturnType<typeof stateOn>;
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
  /** U, k = 2, of the corrected value; null if the indication does not determine the true value. */
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
  return instruments.flatMap((instrument) =>
    rangesOf(instrument, quantity).flatMap((range): RangeIndication[] => {
      const indication = indicationAt(point, range.resistance, quantity);
      if (!indication) return [];
      const { indicated, loading } = indication;
      const { accuracy, resolution } = readingUncertainty(instrument, range, indicated);
      const ownError = indicatedWhen(range.calibration, indicated) - indicated;
      return [
        {
          instrument,
          range,
          ...indication,
          ...displayToExpect(instrument, quantity, range, indicated),
          state: stateOn(instrument, range, indicated),
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
export function bestRangeOptions<Option extends RangeOption>(
  options: readonly Option[],
): { readonly uncorrected: Option | null; readonly corrected: Option | null } {
  const readable = options.filter(({ state }) => state === 'ok');
  const least = (of: (option: Option) => number | null): Option | null =>
    readable.reduce<Option | null>((best, option) => {
      const value = of(option);
      if (value === null) return best;
      return best === null || value < of(best)! ? option : best;
    }, null);
  return { uncorrected: least((option) => option.uncorrected), corrected: least((option) => option.corrected) };
}
