import { findRange, type Instrument } from '../../instrument/index.ts';
import type { Conventions, Reading } from '../../readings/index.ts';
import { differenceFrom } from './comparing.ts';
import type { Predictions } from '../diagnose.ts';
import { recordedValue } from './observed.ts';

/** A reading beside the prediction of a hypothesis, V, A or Ω. */
export interface PredictionRow {
  readonly reading: Reading;
  /** Null for `OL`. */
  readonly value: number | null;
  /** Null for a resistance beyond every range. */
  readonly predicted: number | null;
  /** The value is within its U, k = 2, of the prediction; signs do not count if the job's convention drops them. */
  readonly isWithin: boolean;
}

/** Returns the readings that a hypothesis predicts, each beside its prediction, in their order. */
export const predictionRows = (
  readings: readonly Reading[],
  instruments: readonly Instrument[],
  conventions: Conventions,
  predictions: Predictions,
): PredictionRow[] =>
  readings.flatMap((reading): PredictionRow[] => {
    const predicted = predictions[reading.id];
    const instrument = instruments.find(({ id }) => id === reading.instrument);
    const range = instrument && findRange(instrument, reading.quantity, reading.range);
    if (predicted === undefined || !range) return [];
    const recorded = recordedValue(reading, instrument, range, conventions);
    const isWithin = Math.abs(differenceFrom(recorded, predicted ?? Infinity)) <= 2 * recorded.u;
    return [{ reading, value: recorded.comparison === 'over-range' ? null : recorded.value, predicted, isWithin }];
  });
