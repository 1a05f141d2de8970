import { formatQuantity } from '../quantity/index.ts';
import { scaleFigures, sharedArcs, type DialRange, type ScaleFigures } from '../workshop/index.ts';
import { arcMarks } from './meter/arc-marks.ts';
import type { Mark } from './symbols/mark.ts';

/** Arc of a dial: the ranges that share its numbers, and the places of its marks. */
interface DialArc extends ScaleFigures {
  /** mm. */
  readonly radius: number;
  /** The ranges that are read on it, `25 mA`, in their order. */
  readonly ranges: readonly string[];
}

/** Dimensions of a dial. */
export interface DialShape {
  readonly radius: number;
  readonly sweep: number;
  readonly divisions: number;
  readonly movementClass: number;
}

/** The dial of a finished meter at true size, mm. */
export interface DialScale {
  readonly width: number;
  readonly height: number;
  /** Pivot of the needle. */
  readonly pivot: { readonly x: number; readonly y: number };
  readonly arcs: readonly DialArc[];
  readonly marks: readonly Mark[];
}

const margin = 8;
const betweenArcs = 10;

/** mm. */
const sizes = { long: 2.8, short: 1.6, thick: 0.35, thin: 0.18, text: 3.4, textAway: 4.8 };

/**
 * The scale of a meter to print and glue in: divisions in the 1-2-5 sequence, one arc for all ranges that share their numbers
 * but for the decimal point, whatever their unit; the sign for direct current, the class, and a cross where the needle turns.
 *
 * @param radius         mm from the pivot to the outer arc
 * @param sweep          degrees from zero to full scale, half of it to either side of upright
 * @param divisions      wanted from zero to full scale
 * @param movementClass  as a fraction of full scale
 */
export function dialScale(
  ranges: readonly DialRange[],
  { radius, sweep, divisions, movementClass }: DialShape,
): DialScale {
  const arcs = arcsFor(ranges, radius, divisions);
  const half = (sweep / 2) * (Math.PI / 180);
  const width = Math.ceil(2 * (radius * Math.sin(Math.min(half, Math.PI / 2)) + margin + 8));
  const pivot = { x: width / 2, y: margin + 8 + radius };
  const lowest = arcs.at(-1)!.radius;
  // Down to the cross, or to the ends of an arc that goes round it.
  const height = Math.ceil(pivot.y + margin + Math.max(0, -radius * Math.cos(half)));
  const marks = arcs.flatMap((arc): Mark[] => [
    ...arcMarks({ pivot, radius: arc.radius, half }, arc, sizes),
    {
      shape: 'text',
      x: pivot.x,
      y: pivot.y - arc.radius + 4,
      text: arc.ranges.join(' · '),
      size: 2.4,
      tone: 'soft',
      anchor: 'middle',
    },
  ]);
  const y = pivot.y - lowest + 12;
  // The sign for direct current: a line over three dashes.
  const sign: Mark[] = [
    {
      shape: 'text',
      x: pivot.x,
      y,
      text: [...new Set(ranges.map(({ unit }) => unit))].join('\u2002'),
      size: 5,
      tone: 'ink',
      anchor: 'middle',
      bold: true,
    },
    {
      shape: 'path',
      d: `M${pivot.x - 2.6} ${y + 2}h5.2M${pivot.x - 2.6} ${y + 3.2}h1.2m0.8 0h1.2m0.8 0h1.2`,
      stroke: 'ink',
      width: 0.4,
    },
  ];
  // The class as dials have it, in per cent without the sign; and where to put the hole for the pivot.
  const foot: Mark[] = [
    {
      shape: 'text',
      x: pivot.x - Math.min(18, width / 2 - 6),
      y: pivot.y,
      text: `class ${Number((movementClass * 100).toPrecision(3))}`,
      size: 2.4,
      tone: 'soft',
      anchor: 'middle',
    },
    { shape: 'path', d: `M${pivot.x - 3} ${pivot.y}h6M${pivot.x} ${pivot.y - 3}v6`, stroke: 'soft', width: 0.2 },
  ];
  return { width, height, pivot, arcs, marks: [...marks, ...sign, ...foot] };
}

/** The arcs from the outer one inwards. */
const arcsFor = (ranges: readonly DialRange[], radius: number, divisions: number): DialArc[] =>
  sharedArcs(ranges, divisions).map(({ ranges: shared, steps }, index) => ({
    radius: radius - index * betweenArcs,
    ranges: shared.map(({ range, unit }) => formatQuantity(range, unit, { digits: 3, trim: true })),
    ...scaleFigures(steps),
  }));
