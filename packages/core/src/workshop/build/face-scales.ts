import { rangesOf, unitOf, type Instrument, type MeterQuantity, type Range } from '../../instrument/index.ts';
import { scaleFigures, type ScaleFigures } from './scale-figures.ts';
import { scaleSteps, sharedArcs, type DialRange } from './scale-steps.ts';

/** A range of an instrument, as its selector is set. */
export interface RangePosition {
  readonly quantity: MeterQuantity;
  readonly range: string;
}

/** A printed scale of an analogue instrument, with the ranges that are read on it. Its figures have no unit. */
export interface FaceScale extends ScaleFigures {
  readonly ranges: readonly RangePosition[];
  /** Marks from zero to full scale, zero not counted. */
  readonly divisions: number;
}

/** Marks of a scale if no range says how many it has. */
const usualDivisions = 50;

/** Returns the printed scales of an instrument: ranges that differ by the decimal point only share one. */
export function faceScales(instrument: Instrument): FaceScale[] {
  const ranges = (['dc-voltage', 'dc-current'] as const).flatMap((quantity) =>
    rangesOf(instrument, quantity).map((range) => ({ quantity, range })),
  );
  const divisions = ranges.find(({ range }) => range.divisions !== undefined)?.range.divisions ?? usualDivisions;
  const arcs = sharedArcs(
    ranges.map(({ quantity, range }) => ({ unit: unitOf(quantity), range: range.fullScale })),
    divisions,
  );
  return arcs.map(({ ranges: shared, steps: own }) => {
    const printed = printedFullScale(shared);
    const steps = printed === null ? own : scaleSteps(printed, divisions);
    return {
      ...scaleFigures(steps),
      divisions: Math.round(steps.fullScale / steps.smallest),
      ranges: ranges
        .filter(({ quantity, range }) =>
          shared.some((one) => one.unit === unitOf(quantity) && one.range === range.fullScale),
        )
        .map(({ quantity, range }) => ({ quantity, range: range.id })),
    };
  });
}

/** Largest number at the end of a scale of voltage ranges. */
const largestPrinted = 300;

/** Returns the last figure of a scale: the largest voltage range up to 300 V; null if there is none. */
function printedFullScale(ranges: readonly DialRange[]): number | null {
  const volts = ranges.filter(({ unit, range }) => unit === 'V' && range >= 1 && range <= largestPrinted);
  return volts.length === 0 ? null : Math.max(...volts.map(({ range }) => range));
}

/** Returns the scale that a range is read on; undefined if the instrument has no such range. */
export const scaleOf = (scales: readonly FaceScale[], { quantity, range }: RangePosition): FaceScale | undefined =>
  scales.find(({ ranges }) => ranges.some((one) => one.quantity === quantity && one.range === range));

/** Returns the figure of a scale for a value, V or A: 18.2 on 0–50 for 3.64 V on the 10 V range. */
export const figureAt = (scale: FaceScale, range: Pick<Range, 'fullScale'>, value: number): number =>
  (value / range.fullScale) * scale.fullScale;

/** Returns half a division of a scale on a range, V or A: the limit to which a needle is read. */
export const halfDivision = (scale: FaceScale, range: Pick<Range, 'fullScale'>): number =>
  range.fullScale / scale.divisions / 2;

/** Returns the value, V or A, for a figure of the scale. */
export const valueAt = (scale: FaceScale, range: Pick<Range, 'fullScale'>, figure: number): number =>
  (figure / scale.fullScale) * range.fullScale;
