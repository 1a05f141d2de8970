import { leading } from '../symbols/part-label.ts';
import type { RailDrawing, VoltmeterMark } from './rail-drawing.ts';
import { drawingKind } from '../by-kind.ts';
import { textWidth } from '../symbols/text-width.ts';

/** Sag of a rail under the meters: the band between rail and ghost, and its dimension. All in px. */
export interface Sag {
  readonly x1: number;
  readonly x2: number;
  readonly top: number;
  readonly bottom: number;
  /** Of the dimension's line. */
  readonly x: number;
  /** Beginning or end of its figure, on its base line. */
  readonly text: { readonly x: number; readonly y: number; readonly anchor: 'start' | 'end' };
}

/** Size of the dimension's figure. */
export const sagTextSize = 14;

interface Box {
  readonly x1: number;
  readonly x2: number;
  readonly y1: number;
  readonly y2: number;
}

/**
 * The sag of the rail that a voltmeter's red lead is on. Its figure is beside the meter, or as near to it as there is
 * room.
 *
 * @param figure  what is written at the dimension
 * @returns null if the meters do not move the rail
 */
export function sagOf(drawing: RailDrawing, mark: VoltmeterMark, red: string, figure: string): Sag | null {
  const rail = drawing.rails.find(({ node }) => node === red);
  if (!rail || rail.ghostY === null) return null;
  const band = { x1: rail.x1, x2: rail.x2, top: Math.min(rail.y, rail.ghostY), bottom: Math.max(rail.y, rail.ghostY) };
  const width = textWidth(figure, sagTextSize, 'mono');
  const inside = band.bottom - band.top >= sagTextSize + 6;
  const baselines = inside ? [(band.top + band.bottom) / 2 + 5] : [band.top - 7, band.bottom + sagTextSize + 3];
  const at = (x: number, side: 1 | -1) =>
    baselines.map((y): Sag => ({ ...band, x, text: { x: x + side * 10, y, anchor: side < 0 ? 'end' : 'start' } }));
  const places: Sag[] = [];
  for (let x = Math.min(mark.x - 30, rail.x2 - 6); x - 10 - width > rail.x1; x -= step) places.push(...at(x, -1));
  for (let x = mark.x + 30; x + 10 + width < rail.x2; x += step) places.push(...at(x, 1));
  places.push(...at(rail.x2 - 6, 1));
  const clearOf =
    (taken: readonly Box[]) =>
    ({ text: { x, y, anchor } }: Sag): boolean => {
      const left = anchor === 'end' ? x - width : x;
      const box = { x1: left - 8, x2: left + width + 4, y1: y - sagTextSize * 0.8, y2: y + sagTextSize * 0.25 };
      return box.x2 < drawing.width && !taken.some((other) => overlap(box, other));
    };
  const written = obstacles(drawing);
  const lines = drawing.parts.map(({ x, yTop, yBottom }): Box => ({ x1: x - 2, x2: x + 2, y1: yTop, y2: yBottom }));
  return places.find(clearOf([...written, ...lines])) ?? places.find(clearOf(written)) ?? places[0]!;
}

/** px by which the next place is tried. */
const step = 12;

const overlap = (a: Box, b: Box): boolean => a.x1 < b.x2 && b.x1 < a.x2 && a.y1 < b.y2 && b.y1 < a.y2;

/** Returns the shapes that a figure must not cover; over a line it remains legible, if need be. */
function obstacles({ parts, rails, voltmeters, ammeters }: RailDrawing): Box[] {
  const around = (x: number, y: number, half: number, right = half): Box => ({
    x1: x - half,
    x2: x + right,
    y1: y - half,
    y2: y + half,
  });
  return [
    ...parts.flatMap(({ element, label, x, ySymbol, symbolScale }) => {
      const text = (label.lines.length * label.size * leading) / 2;
      return [
        { x1: label.x, x2: label.x + label.width, y1: ySymbol - text, y2: ySymbol + text },
        around(x, ySymbol, Math.max(9, drawingKind(element.kind).halfHeight) * symbolScale),
      ];
    }),
    ...rails.map(({ x1, x2, y, letter }) => ({ x1: x1 - letter.width, x2, y1: y - 3, y2: y + 3 })),
    // With their leads' signs; beside an ammeter is its indication.
    ...voltmeters.map(({ x, yRed, yBlack, y }) => ({
      x1: x - 22,
      x2: x + 18,
      y1: Math.min(yRed, yBlack, y),
      y2: Math.max(yRed, yBlack, y),
    })),
    ...ammeters.map(({ x, yRail, yTie }) => around(x, (yRail + yTie) / 2, 20, 110)),
  ];
}
