import {
  findRange,
  instrumentUncertainty,
  ownErrorAt,
  type Instrument,
  type Range,
  type ResistanceRange,
} from '../instrument/index.ts';
import { exponentByPrefix } from '../quantity/index.ts';
import type { Conventions, Observation, Reading } from './reading.ts';

/** The keys of a reading that its value depends on. */
export type ReadNumbers = Pick<Reading, 'quantity' | 'range' | 'observations' | 'scale' | 'rate'>;

/** Value of a reading, in V, A or Ω. */
export interface ObservedValue {
  /** Several observations taken together by convention; null if any of them is `OL`. */
  readonly value: number | null;
  /** Own error of the instrument by its certificate, which has been subtracted from the value; 0 without one. */
  readonly ownError: number;
  /** Standard uncertainty of the value from its observations alone; null if the value is. */
  readonly spread: number | null;
  /** U, k = 2, of the value: instrument, resolution and spread; null without a value or the range. */
  readonly uncertainty: number | null;
}

/**
 * The value of a reading and how well it is known.
 *
 * u² = a²/3 + r²/3 + spread², with a the accuracy limit at the value and r half the smallest step, both taken as rectangular;
 * U = 2u. A range's calibration takes its own error off the value, and u has half of the certificate's uncertainty for a.
 *
 * @param instrument  the one that the reading names; undefined if it is gone
 */
export function observedValue(
  reading: ReadNumbers,
  instrument: Instrument | undefined,
  statistic: Conventions['observations'] = 'mean',
): ObservedValue {
  const numbers = reading.observations.map(observedNumber);
  if (numbers.length === 0 || numbers.includes(null))
    return { value: null, ownError: 0, spread: null, uncertainty: null };
  const taken = together(numbers as number[], statistic);
  const range = instrument && findRange(instrument, reading.quantity, reading.range);
  if (!range) return { ...taken, ownError: 0, uncertainty: null };
  const factor = scaleFactor(reading, instrument, range);
  const indicated = taken.value * factor;
  const spread = taken.spread * factor;
  const ownError = ownErrorAt(range.calibration, indicated);
  const value = indicated - ownError;
  return { value, ownError, spread, uncertainty: 2 * standardUncertainty(reading, instrument, value, spread) };
}

/** Returns u of a reading if it had this value: accuracy and resolution as rectangular limits, and the spread of its observations. */
export function standardUncertainty(
  reading: Pick<ReadNumbers, 'quantity' | 'range' | 'rate'>,
  instrument: Instrument,
  value: number,
  spread: number,
): number {
  const range = findRange(instrument, reading.quantity, reading.range);
  if (!range) return spread;
  const own = instrumentUncertainty(instrument, range, value, reading.rate) / 2;
  return Math.sqrt(own * own + spread * spread);
}

/** A display as a number, V, A or Ω, rounded once; null if it is `OL`. */
export function observedNumber({ shown, unit }: Observation): number | null {
  if (shown === 'OL') return null;
  const prefix = unit.slice(0, -1);
  return Number(`${shown.replace('−', '-')}e${prefix === '' ? 0 : exponentByPrefix[prefix]!}`);
}

/** Texts of a display: digits with an optional sign and point, or `OL`. */
export const shownPattern = /^(?:[+\-−]?(?:\d{1,15}(?:\.\d{0,15})?|\.\d{1,15})|OL)$/;

/** Units of a display. */
export const unitPattern = /^[nµμumkMG]?[VAΩ]$/;

function together(numbers: readonly number[], statistic: NonNullable<Conventions['observations']>) {
  const n = numbers.length;
  if (n === 1) return { value: numbers[0]!, spread: 0 };
  if (statistic === 'mean') {
    const mean = numbers.reduce((sum, x) => sum + x, 0) / n;
    const squares = numbers.reduce((sum, x) => sum + (x - mean) ** 2, 0);
    return { value: mean, spread: Math.sqrt(squares / (n - 1) / n) };
  }
  const spread = (Math.max(...numbers) - Math.min(...numbers)) / (2 * Math.sqrt(3));
  const value = statistic === 'last' ? numbers.at(-1)! : numbers.reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a));
  return { value, spread };
}

/** Returns the factor for a number read on another range's scale. */
function scaleFactor(reading: ReadNumbers, instrument: Instrument, range: Range | ResistanceRange): number {
  const scale =
    reading.scale === undefined ? undefined : findRange(instrument, reading.quantity, reading.scale)?.fullScale;
  return scale === undefined ? 1 : range.fullScale / scale;
}
