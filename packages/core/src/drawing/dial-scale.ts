import { formatQuantity } from '../quantity/index.ts';
import type { Mark } from './mark.ts';

/** One arc of a dial: the ranges that share its numbers, and where its marks stand. */
export interface DialArc {
  /** mm. */
  readonly radius: number;
  /** A or V, rising. */
  readonly ranges: readonly number[];
  /** What stands at full scale, in the figures that are printed. */
  readonly fullScale: number;
  /** Figures with numbers, and those between with half and short marks. */
  readonly majors: readonly number[];
  readonly minors: readonly number[];
}

/** The dial of a finished meter at true size, mm. */
export interface DialScale {
  readonly width: number;
  readonly height: number;
  /** Where the needle turns. */
  readonly pivot: { readonly x: number; readonly y: number };
  readonly arcs: readonly DialArc[];
  readonly marks: readonly Mark[];
}

const margin = 8;
const betweenArcs = 10;

/**
 * The scale of a meter to print and glue in: divisions in the 1-2-5 sequence, one arc for all ranges that share their numbers
 * but for the decimal point.
 *
 * @param ranges  A or V at full scale
 * @param radius  mm from the pivot to the outer arc
 * @param sweep   degrees from zero to full scale, half of it to either side of upright
 */
export function dialScale(ranges: readonly number[], unit: 'A' | 'V', radius: number, sweep: number): DialScale {
  const arcs = arcsFor(ranges, radius);
  const half = (sweep / 2) * (Math.PI / 180);
  const width = Math.ceil(2 * (radius * Math.sin(Math.min(half, Math.PI / 2)) + margin + 8));
  const pivot = { x: width / 2, y: margin + 8 + radius };
  const lowest = arcs.at(-1)!.radius;
  const height = Math.ceil(pivot.y - lowest * Math.min(Math.cos(half), 0.35) + margin);
  const at = (arc: DialArc, figure: number, r: number): { x: number; y: number } => {
    const angle = -half + (2 * half * figure) / arc.fullScale;
    return { x: pivot.x + r * Math.sin(angle), y: pivot.y - r * Math.cos(angle) };
  };
  const marks = arcs.flatMap((arc): Mark[] => {
    const line = (figure: number, length: number, weight: number): Mark => {
      const [from, to] = [at(arc, figure, arc.radius), at(arc, figure, arc.radius + length)];
      return { shape: 'path', d: `M${from.x} ${from.y}L${to.x} ${to.y}`, stroke: 'ink', width: weight };
    };
    const [start, end] = [at(arc, 0, arc.radius), at(arc, arc.fullScale, arc.radius)];
    const large = sweep > 180 ? 1 : 0;
    return [
      {
        shape: 'path',
        d: `M${start.x} ${start.y}A${arc.radius} ${arc.radius} 0 ${large} 1 ${end.x} ${end.y}`,
        stroke: 'ink',
        width: 0.35,
      },
      ...arc.minors.map((figure) => line(figure, 1.6, 0.18)),
      ...arc.majors.map((figure) => line(figure, 2.8, 0.35)),
      ...arc.majors.map((figure): Mark => {
        const { x, y } = at(arc, figure, arc.radius + 4.6);
        return { shape: 'text', x, y: y + 1, text: String(figure), size: 3, tone: 'ink', anchor: 'middle', bold: true };
      }),
      {
        shape: 'text',
        x: pivot.x,
        y: pivot.y - arc.radius + 4,
        text: arc.ranges.map((range) => formatQuantity(range, unit, { digits: 3, trim: true })).join(' · '),
        size: 2.4,
        tone: 'soft',
        anchor: 'middle',
      },
    ];
  });
  const y = pivot.y - lowest + 12;
  // The sign for direct current: a line over three dashes.
  const sign: Mark[] = [
    { shape: 'text', x: pivot.x, y, text: unit, size: 5, tone: 'ink', anchor: 'middle', bold: true },
    {
      shape: 'path',
      d: `M${pivot.x - 2.6} ${y + 2}h5.2M${pivot.x - 2.6} ${y + 3.2}h1.2m0.8 0h1.2m0.8 0h1.2`,
      stroke: 'ink',
      width: 0.4,
    },
  ];
  return { width, height, pivot, arcs, marks: [...marks, ...sign] };
}

/** The ranges in groups of the same figures, the first of each giving the numbers. */
function arcsFor(ranges: readonly number[], radius: number): DialArc[] {
  const groups = new Map<number, number[]>();
  for (const range of [...ranges].sort((a, b) => a - b)) {
    const figure = Number((range / 10 ** Math.floor(Math.log10(range) + 1e-12)).toPrecision(9));
    groups.set(figure, [...(groups.get(figure) ?? []), range]);
  }
  return [...groups.values()].map((group, index): DialArc => {
    const fullScale = Number((group[0]! / 1000 ** Math.floor(Math.log10(group[0]!) / 3 + 1e-12)).toPrecision(9));
    const step = stepFor(fullScale, 4);
    const between = stepFor(step, 4);
    const figures = (each: number): number[] =>
      Array.from({ length: Math.floor(fullScale / each + 1e-9) + 1 }, (_, k) => Number((k * each).toPrecision(9)));
    const majors = figures(step);
    const minors = figures(between).filter((figure) => !majors.includes(figure));
    return { radius: radius - index * betweenArcs, ranges: group, fullScale, majors, minors };
  });
}

/** The largest step of the 1-2-5 sequence that divides a span into at least `least` parts. */
function stepFor(span: number, least: number): number {
  const decade = 10 ** Math.floor(Math.log10(span / least) + 1e-12);
  const factor = [5, 2, 1].find((candidate) => span / (candidate * decade) >= least - 1e-9) ?? 1;
  return Number((factor * decade).toPrecision(9));
}
