import {
  displayState,
  indicatedWhen,
  withoutOwnError,
  readingUncertainty,
  type Instrument,
  type Range,
  type ResistanceRange,
} from '../instrument/index.ts';
import { fail, ok, type Result } from '../result.ts';
import type { CorrectionFactor, CorrectionOn } from './correction-factor.ts';
import type { MeterReading } from './solve-setup.ts';

/** One contribution to the uncertainty of a corrected value. */
export interface BudgetEntry {
  /** `accuracy` or `certificate`, `resolution`, `spread`, the id of a part, `meter`, or `meter:ID` for another meter. */
  readonly of: string;
  /** Standard uncertainty of the input, in its own unit: Ω for parts and meters, else that of the reading. */
  readonly standard: number;
  /** Standard uncertainty that it contributes, in the unit of the value. */
  readonly contribution: number;
}

/** A value corrected for the effect of all meters, with U, k = 2, and what U consists of. V, A or Ω. */
export interface CorrectedValue {
  readonly value: number;
  /** T/E, by which the reading was multiplied. */
  readonly factor: number;
  readonly uncertainty: number;
  readonly budget: readonly BudgetEntry[];
}

/** Share of the whole below which a contribution is noise of the computation: double-doubles have 28 digits or more. */
const noise = 1e-20;

/** A value that is corrected, after the range's own error has been subtracted. V, A or Ω. */
export interface Uncorrected {
  readonly instrument: Instrument;
  readonly range: Range | ResistanceRange;
  readonly value: number;
  /** Id of the rate that was read at. */
  readonly rate?: string | undefined;
  /** Standard uncertainty of the value from its observations; 0 if omitted. */
  readonly spread?: number;
}

/**
 * Returns the corrected value C = v·T/E, with T the true and E the expected value.
 *
 * u²(C) = (T/E)²·u²(v) + Σ(v·∂(T/E)/∂R · limit/√3)² over parts and meters (JCGM 100:2008, 5.1.2); U = 2u.
 */
export function correctedValue(
  { factor, contributions }: CorrectionFactor,
  { instrument, range, value, rate, spread = 0 }: Uncorrected,
): CorrectedValue {
  const { accuracy, resolution } = readingUncertainty(instrument, range, value, rate);
  const own = (of: string, standard: number): BudgetEntry => ({
    of,
    standard,
    contribution: Math.abs(factor) * standard,
  });
  const all = [
    own(range.calibration ? 'certificate' : 'accuracy', accuracy / Math.sqrt(3)),
    own('resolution', resolution / Math.sqrt(3)),
    own('spread', spread),
    ...contributions.map((one) => ({ ...one, contribution: Math.abs(value) * one.contribution })),
  ];
  const u = Math.hypot(...all.map(({ contribution }) => contribution));
  return {
    value: value * factor + 0,
    factor,
    uncertainty: 2 * u,
    budget: all.filter(({ contribution }) => contribution > noise * u),
  };
}

/** Reason for which a display cannot be corrected. */
export type CannotCorrect = 'over-range' | 'reversed' | 'fuse-blown' | 'not-determined';

/** Sentences for these reasons: the problem and the remedy. */
export const cannotCorrectWords: Readonly<Record<CannotCorrect, string>> = {
  'over-range': 'This range cannot display that value. Choose a higher range.',
  reversed: 'The needle of this instrument does not go below zero. Swap the leads.',
  'fuse-blown': 'The fuse of this range blows at that current. Choose a higher range.',
  'not-determined':
    'The true value does not follow from this indication: one of the two, or the source resistance, is 0. Change the set-up.',
};

/**
 * Corrects what an instrument displays on a range: its own error is subtracted if a certificate gives it, then the loading of
 * all meters is taken out.
 *
 * @param display  V or A
 */
export function correctDisplay(
  instrument: Instrument,
  range: Range,
  display: number,
  correctionOn: CorrectionOn,
): Result<CorrectedValue, CannotCorrect> {
  const state = stateOn(instrument, range, display);
  if (state !== 'ok') return fail(state);
  const correction = correctionOn(range);
  if (!correction || correction.factor === 0) return fail('not-determined');
  return ok(correctedValue(correction, { instrument, range, value: withoutOwnError(range.calibration, display) }));
}

/**
 * Returns the true value behind the display of a meter in a solved set-up; null if it cannot be read, or if it does not
 * determine the true value.
 */
export function correctMeterReading(
  instrument: Instrument,
  range: Range,
  { state, indicated }: Pick<MeterReading, 'state' | 'indicated'>,
  correctionOn: CorrectionOn,
): CorrectedValue | null {
  if (state !== 'ok' || indicated === null) return null;
  const corrected = correctDisplay(instrument, range, indicatedWhen(range.calibration, indicated), correctionOn);
  return corrected.ok ? corrected.value : null;
}

/** Returns whether a range can be read at an indicated value, V or A, or what keeps it from being read. */
export function stateOn(
  instrument: Instrument,
  range: Pick<Range, 'fuse' | 'fullScale'>,
  indicated: number,
): 'ok' | Exclude<CannotCorrect, 'not-determined'> {
  if (range.fuse !== undefined && Math.abs(indicated) > range.fuse) return 'fuse-blown';
  return displayState(instrument, range, indicated);
}
