import {
  rangesOf,
  readingUncertainty,
  shownOn,
  type Instrument,
  type MeterQuantity,
  type Range,
  type ResistanceRange,
} from '../instrument/index.ts';
import {
  bestRangeOptions,
  rangeIndications,
  startingJack,
  type PointValues,
  type RangeIndication,
} from '../loading/index.ts';
import type { Conventions } from '../readings/index.ts';
import { formatPercent, formatQuantity, seriesValues, amps } from '../quantity/index.ts';

/** Tolerance of a meter's resistance if its range does not specify one, as a ratio. */
const usualResistanceTolerance = 0.01;

/** A range with its worst-case uncertainty after correction, V or A. */
interface Candidate extends RangeIndication {
  readonly corrected: number;
}

/** The range on which to begin, and the one on which to read. */
export interface RangeChoice {
  readonly option: RangeIndication;
  readonly startRange: string;
  readonly rate?: string;
  readonly notes: readonly string[];
}

/**
 * Returns the range of some instruments with the smallest worst-case uncertainty after correction, and the range to begin on.
 *
 * The worst case is that of the record's plan, limits added up: accuracy and resolution, and what the limits of R_s and R_m
 * leave in the correction. A plan covers every measurement point of a network, so it needs no sensitivity of each part.
 *
 * @param sourceUncertainty  share of itself that the source resistance may be off
 * @returns null if no range can read the value there
 */
export function chooseRange(
  point: PointValues,
  quantity: MeterQuantity,
  instruments: readonly Instrument[],
  sourceUncertainty: number,
  { firstRange = 'highest' }: Conventions,
): RangeChoice | null {
  const options = rangeIndications(point, quantity, instruments).map((option): Candidate => {
    const { accuracy, resolution, taken, range } = option;
    const left = sourceUncertainty + (range.resistanceTolerance ?? usualResistanceTolerance);
    return { ...option, corrected: (accuracy + resolution) / (1 - taken) + Math.abs(point.ideal!) * taken * left };
  });
  const option = bestRangeOptions(options).corrected;
  if (!option) return null;
  const { instrument, range } = option;
  const startRange = firstRange === 'expected' ? range.id : highestStart(instrument, quantity, point.ideal ?? 0).id;
  const rate = slowRate(instrument, range, option.indicated);
  const notes = quantity === 'dc-current' ? nearTheFuse(option, options, point, sourceUncertainty) : [];
  return { option, startRange, notes, ...(rate !== undefined && { rate }) };
}

/** The range of an ohmmeter that reads a resistance best. */
export function chooseResistanceRange(
  resistance: number,
  instruments: readonly Instrument[],
): { readonly instrument: Instrument; readonly range: ResistanceRange } | null {
  const options = instruments.flatMap((instrument) =>
    rangesOf(instrument, 'resistance')
      .filter(({ fullScale }) => resistance <= fullScale)
      .map((range) => {
        const { accuracy, resolution } = readingUncertainty(instrument, range, resistance);
        return { instrument, range, uncertainty: accuracy + resolution };
      }),
  );
  const [first, ...rest] = options;
  return first ? rest.reduce((best, one) => (one.uncertainty < best.uncertainty ? one : best), first) : null;
}

/** The range of the most that a function reads; null if the instrument does not have it. */
export const highestRange = <R extends { readonly fullScale: number }>(ranges: readonly R[]): R =>
  ranges.reduce((a, b) => (b.fullScale > a.fullScale ? b : a));

/** The highest range; for a current the highest of the jack whose fuse holds what can flow. */
function highestStart(instrument: Instrument, quantity: MeterQuantity, ideal: number): Range {
  const jack = quantity === 'dc-current' ? startingJack(instrument, ideal) : null;
  return jack?.begin ?? highestRange(rangesOf(instrument, quantity));
}

/** The instrument's slowest rate, where a faster one would add to the accuracy limit by a tenth or more. */
export function slowRate(
  instrument: Instrument,
  range: Range | ResistanceRange,
  indicated: number,
): string | undefined {
  const { rates = [] } = instrument;
  if (rates.length < 2) return undefined;
  const slowest = rates.reduce((a, b) => (b.counts < a.counts ? b : a));
  const fastest = rates.reduce((a, b) => (b.counts > a.counts ? b : a));
  const { accuracy, resolution } = readingUncertainty(instrument, range, indicated);
  const added = (fastest.counts - slowest.counts) * (range.resolution ?? 0);
  return added > (accuracy + resolution) / 10 ? slowest.id : undefined;
}

/** Both ways out if the fuse of a more sensitive jack would blow: the jack that was chosen, or a resistor in series. */
function nearTheFuse(
  chosen: Candidate,
  options: readonly Candidate[],
  { ideal, sourceResistance }: PointValues,
  sourceUncertainty: number,
): string[] {
  const sensitive = options.filter(
    ({ instrument, range, state }) =>
      instrument === chosen.instrument && state === 'fuse-blown' && range.jack !== chosen.range.jack,
  );
  const [first, ...rest] = sensitive;
  if (!first || ideal === null) return [];
  const { range } = rest.reduce((a, b) => (b.range.fullScale > a.range.fullScale ? b : a), first);
  const costs = (uncertainty: number): string => `±${formatPercent(uncertainty / Math.abs(ideal), { digits: 2 })}`;
  const lines = [
    `The fuse of ${amps(range.fuse!, 3)} in the ${range.jack ?? 'more sensitive'} jack would blow: read on ${chosen.range.id}, ${costs(chosen.corrected)}.`,
  ];
  if (sourceResistance === null || sourceResistance === 0) return lines;
  const wanted = 0.8 * Math.min(range.fullScale, range.fuse!);
  const least = (Math.abs(ideal) * sourceResistance) / wanted - sourceResistance - range.resistance;
  if (!(least > 0)) return lines;
  const added = nextPreferred(least);
  const outside = added + range.resistance;
  const indicated = (Math.abs(ideal) * sourceResistance) / (sourceResistance + outside);
  const { accuracy, resolution } = readingUncertainty(chosen.instrument, range, indicated);
  const ratio = outside / sourceResistance;
  const uncertainty =
    (accuracy + resolution) * (1 + ratio) +
    indicated * ratio * (sourceUncertainty + (range.resistanceTolerance ?? usualResistanceTolerance));
  return [
    ...lines,
    `Or put ${formatQuantity(added, 'Ω', { digits: 2, trim: true })} (1 %) in series for this reading: ${range.id} then indicates ${amps(indicated, 3)}, and the current without it follows to ${costs(uncertainty)}.`,
  ];
}

/** The next value of E12 that is not below a resistance, Ω. */
function nextPreferred(least: number): number {
  const decade = Math.floor(Math.log10(least));
  const mantissa = least / 10 ** decade;
  const next = seriesValues('E12').find((value) => value >= mantissa) ?? 10;
  return Number(`${next}e${decade}`);
}

/** The number that a range would show, for a step. */
export const shownAt = (
  instrument: Instrument,
  quantity: MeterQuantity | 'resistance',
  range: Range | ResistanceRange,
  indicated: number,
): { readonly display: string; readonly unit: string } => {
  const { display, unit } = shownOn(instrument, quantity, range, indicated);
  return { display: display ?? '', unit };
};
