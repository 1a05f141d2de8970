import {
  rangesOf,
  readingDoubt,
  shownOn,
  type Instrument,
  type MeterQuantity,
  type Range,
} from '../instrument/index.ts';
import type { Place } from './place.ts';

/** What one range would show at a place, and what to believe of it. Everything in V or A unless said otherwise. */
export interface Rung {
  readonly instrument: Instrument;
  readonly range: Range;
  readonly indicated: number;
  /** As the instrument shows it. */
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
  /** What the doubt about R_s and R_m leaves in the correction. */
  readonly correctionDoubt: number;
  /** Worst case of the reading taken as it stands: |loading| + accuracy + resolution. */
  readonly asRead: number | null;
  /** Worst case once the loading is corrected, at the size of the true value. */
  readonly corrected: number;
}

export interface Doubts {
  /** Share of itself that the source resistance may be off. */
  readonly sourceResistance: number;
  /** Share of itself that a meter's resistance may be off; 1 % where nobody says. */
  readonly meterResistance: number;
}

/**
 * Every range of some instruments at one place, as listed.
 *
 * @returns none where nothing determines what stands at the place
 */
export function rangeLadder(
  place: Place,
  quantity: MeterQuantity,
  instruments: readonly Instrument[],
  doubts: Doubts,
): Rung[] {
  const { ideal, truth } = place;
  if (ideal === null) return [];
  return instruments.flatMap((instrument) =>
    rangesOf(instrument, quantity).map((range): Rung => {
      const taken = takenShare(place.sourceResistance, range.resistance, quantity);
      const indicated = ideal * (1 - taken);
      const { accuracy, resolution } = readingDoubt(instrument, range, indicated);
      const alone = truth === ideal;
      const loading = truth === null ? null : alone ? 0 - truth * taken : indicated - truth;
      const relativeLoading = truth === null || truth === 0 ? null : alone ? 0 - taken : loading! / truth;
      const correctionDoubt = Math.abs(ideal) * taken * (doubts.sourceResistance + doubts.meterResistance);
      return {
        instrument,
        range,
        indicated,
        ...shownOn(instrument, quantity, range, indicated),
        state: stateOn(instrument, range, indicated),
        loading,
        relativeLoading,
        deflection: indicated / range.fullScale,
        accuracy,
        resolution,
        correctionDoubt,
        asRead: loading === null ? null : Math.abs(loading) + accuracy + resolution,
        corrected: (accuracy + resolution) / (1 - taken) + correctionDoubt,
      };
    }),
  );
}

/** The share of its ideal reading that a meter takes: R_s/(R_m + R_s) across, R_m/(R_m + R_s) in series. */
export function takenShare(sourceResistance: number | null, meterResistance: number, quantity: MeterQuantity): number {
  if (sourceResistance === null) return quantity === 'dc-voltage' ? 1 : 0;
  const taken = quantity === 'dc-voltage' ? sourceResistance : meterResistance;
  return taken === 0 ? 0 : taken / (meterResistance + sourceResistance);
}

function stateOn(instrument: Instrument, range: Range, indicated: number): Rung['state'] {
  if (range.fuse !== undefined && Math.abs(indicated) > range.fuse) return 'fuse-blown';
  if (instrument.display === 'analogue' && indicated < 0) return 'reversed';
  return Math.abs(indicated) > range.fullScale ? 'over-range' : 'ok';
}

/** The rungs that are best as read and best corrected; null where none can be read. */
export function bestRungs(rungs: readonly Rung[]): { readonly asRead: Rung | null; readonly corrected: Rung | null } {
  const readable = rungs.filter(({ state }) => state === 'ok');
  const least = (of: (rung: Rung) => number): Rung | null =>
    readable.reduce<Rung | null>((best, rung) => (best === null || of(rung) < of(best) ? rung : best), null);
  return { asRead: least((rung) => rung.asRead ?? Infinity), corrected: least((rung) => rung.corrected) };
}
