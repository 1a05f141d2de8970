import type { ScaleFigures } from '../../workshop/index.ts';
import type { Mark } from '../symbols/mark.ts';

/** Arc of a scale about the pivot of its needle; upright is the middle. */
export interface Arc {
  readonly pivot: { readonly x: number; readonly y: number };
  readonly radius: number;
  /** Radians from upright to either end. */
  readonly half: number;
}

/** Lengths, line widths and text of a scale, in the unit of the arc. */
export interface ArcSizes {
  readonly long: number;
  readonly short: number;
  readonly thick: number;
  readonly thin: number;
  readonly text: number;
  /** From the arc to the middle of its numbers. */
  readonly textAway: number;
}

/** Returns the point at a share of full scale, at a distance from the pivot. */
export function pointOn({ pivot, half }: Arc, share: number, distance: number): { x: number; y: number } {
  const angle = half * (2 * share - 1);
  return { x: pivot.x + distance * Math.sin(angle), y: pivot.y - distance * Math.cos(angle) };
}

/** Returns the path of an arc between two shares of full scale. */
export function arcPath(arc: Arc, from: number, to: number, distance = arc.radius): string {
  const [start, end] = [pointOn(arc, from, distance), pointOn(arc, to, distance)];
  const large = 2 * arc.half * Math.abs(to - from) > Math.PI ? 1 : 0;
  const way = to > from ? 1 : 0;
  return `M${start.x} ${start.y}A${distance} ${distance} 0 ${large} ${way} ${end.x} ${end.y}`;
}

/** Returns arc, marks and numbers of a scale. Marks and numbers are outside the arc. */
export function arcMarks(
  arc: Arc,
  { fullScale, majors, minors }: ScaleFigures,
  sizes: ArcSizes,
  tone: 'ink' | 'soft' = 'ink',
): Mark[] {
  const { radius } = arc;
  const line = (figure: number, length: number, width: number): Mark => {
    const [from, to] = [pointOn(arc, figure / fullScale, radius), pointOn(arc, figure / fullScale, radius + length)];
    return { shape: 'path', d: `M${from.x} ${from.y}L${to.x} ${to.y}`, stroke: tone, width };
  };
  return [
    { shape: 'path', d: arcPath(arc, 0, 1), stroke: tone, width: sizes.thick },
    ...minors.map((figure) => line(figure, sizes.short, sizes.thin)),
    ...majors.map((figure) => line(figure, sizes.long, sizes.thick)),
    ...majors.map((figure): Mark => {
      const { x, y } = pointOn(arc, figure / fullScale, radius + sizes.textAway);
      return {
        shape: 'text',
        x,
        y: y + sizes.text * 0.3,
        text: String(figure),
        size: sizes.text,
        tone,
        anchor: 'middle',
        bold: tone === 'ink',
      };
    }),
  ];
}
