import {
  displayToExpect,
  indicatedWhen,
  rangesOf,
  readingUncertainty,
  type Instrument,
  type MeterQuantity,
  type Range,
} from '../instrument/index.ts';
import { otherMetersFactor, type Uncertainties } from './correction.ts';
import { shareTaken, type MeasurementPoint } from './measurement-point.ts';

/** What one range would show at a place, and what to believe of it. Everything in V or A unless said otherwise. */
export interface RangeOption {
  readonly instrument: Instrument;
  readonly range: Range;
  readonly indicated: number;
  /** As the instrument shows it, its own error included. */
  readonly display: string | null;
  readonly unit: string;
  /** Anything but `ok` cannot be read on this range. */
  readonly state: 'ok' | 'over-range' | 'reversed' | 'fuse-blown';
  /** indicated − true, and the same over true; null where true is not known or nothing. */
  readonly loading: number | null;
  readonly relativeLoading: number | null;
  /** Share of full scale. */
  readonly deflection: number;
  readonly accuracy: number;
  readonly resolution: number;
  /** What the uncertainty about R_s and R_m leaves in the correction. */
  readonly correctionUncertainty: number;
  /** indicated − applied of the instrument itself, by its certificate; 0 without one. */
  readonly ownError: number;
  /** Worst case of the reading taken as it stands: |loading + own error| + accuracy + resolution. */
  readonly uncorrected: number | null;
  /** Worst case once the loading of every meter of the set-up is corrected, at the size of the true value; null where nothing leads back to it. */
  readonly corrected: number | null;
}

/**
 * Every range of some instruments at one place, as listed.
 *
 * @returns none where nothing determines what stands at the place
 */
export function rangeTable(
  point: MeasurementPoint,
  quantity: MeterQuantity,
  instruments: readonly Instrument[],
  uncertainties: Uncertainties,
): RangeOption[] {
  const { ideal, truth } = point;
  if (ideal === null) return [];
  const others = otherMetersFactor(point);
  return instruments.flatMap((instrument) =>
    rangesOf(instrument, quantity).flatMap((range): RangeOption[] => {
      const taken = shareTaken(point, range.resistance, quantity);
      if (taken === null) return [];
      const indicated = ideal * (1 - taken);
      const { accuracy, resolution } = readingUncertainty(instrument, range, indicated);
      const ownError = indicatedWhen(range.calibration, indicated) - indicated;
      const alone = truth === ideal;
      const loading = truth === null ? null : alone ? 0 - truth * taken : indicated - truth;
      const relativeLoading = truth === null || truth === 0 ? null : alone ? 0 - taken : loading! / truth;
      const correctionUncertainty =
        Math.abs(ideal) * taken * (uncertainties.sourceResistance + uncertainties.meterResistance);
      const option: RangeOption = {
        instrument,
        range,
        indicated,
        ...displayToExpect(instrument, quantity, range, indicated),
        state: stateOn(instrument, range, indicated),
        loading,
        relativeLoading,
        deflection: indicated / range.fullScale,
        accuracy,
        resolution,
        correctionUncertainty,
        ownError,
        uncorrected: loading === null ? null : Math.abs(loading + ownError) + accuracy + resolution,
        corrected:
          others === null
            ? null
            : ((accuracy + resolution) / (1 - taken) + correctionUncertainty) * Math.abs(others) +
              Math.abs(truth ?? 0) * (uncertainties.otherMeters ?? 0),
      };
      return [option];
    }),
  );
}

function stateOn(instrument: Instrument, range: Range, indicated: number): RangeOption['state'] {
  if (range.fuse !== undefined && Math.abs(indicated) > range.fuse) return 'fuse-blown';
  if (instrument.display === 'analogue' && indicated < 0) return 'reversed';
  return Math.abs(indicated) > range.fullScale ? 'over-range' : 'ok';
}

/** The range options that are best as read and best corrected; null where none can be read. */
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
