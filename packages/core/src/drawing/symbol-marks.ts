import type { Element } from '../network/index.ts';
import { circle, type Mark } from './mark.ts';

/** Symbol of a resistor: a box (IEC 60617) or a zigzag (IEEE 315). */
export type ResistorSymbol = 'box' | 'zigzag';

/** Half the height that a symbol takes out of its line. */
export function symbolHalf(element: Element): number {
  switch (element.kind) {
    case 'source':
      return 5;
    case 'switch':
      return 12;
    case 'link':
      return 0;
    case 'resistor':
      return 22;
    default:
      return 17;
  }
}

/** Place and direction of a symbol. */
export interface SymbolPlace {
  /** px of its centre. */
  readonly x: number;
  readonly y: number;
  readonly scale: number;
  /** Its `from` end is the lower one. */
  readonly inverted: boolean;
}

/** A part's symbol, its line vertical. */
export function symbolMarks(element: Element, resistor: ResistorSymbol, place: SymbolPlace): readonly Mark[] {
  const { x, y, scale } = place;
  const line = (d: string, width = 2): Mark => ({
    shape: 'path',
    d: placed(d, place),
    stroke: 'ink',
    width: width * scale,
  });
  const outline = (d: string): Mark => ({ shape: 'path', d, stroke: 'ink', width: 2 * scale, fill: 'sheet' });
  const ring = (at: number, r: number): Mark => outline(circle(x, y + at * scale, r * scale));
  switch (element.kind) {
    case 'resistor':
      return resistor === 'box'
        ? [outline(placed('M-9 -22H9V22H-9Z', place))]
        : [line('M0 -22L8 -18L-8 -11L8 -4L-8 4L8 11L-8 18L0 22')];
    case 'source':
      return [line('M-16 -5H16', 2.5), line('M-8 5H8', 5), line('M-25 -13H-17M-21 -17V-9')];
    case 'current-source':
      return [ring(0, 17), line('M-17 0H17'), line('M-24 12V-10M-28 -4L-24 -11L-20 -4', 1.8)];
    case 'load':
      return [
        ring(0, 17),
        line('M-12 -12L12 12M12 -12L-12 12'),
        ...(element.polarised ? [line('M-27 -15H-19M-23 -19V-11')] : []),
      ];
    case 'switch':
      return [ring(-12, 3), ring(12, 3), line(element.closed ? 'M0 9V-9' : 'M0 9L13 -10', 2.5)];
    case 'link':
      return [];
  }
}

/** A path about 0,0 at a symbol's place: of M, L, H, V and Z in whole px, its `from` end up. */
function placed(d: string, { x, y, scale, inverted }: SymbolPlace): string {
  const across = (text: string): number => x + Number(text) * scale;
  const down = (text: string): number => y + Number(text) * (inverted ? -scale : scale);
  return d.replace(/([MLHV])(-?\d+)(?: (-?\d+))?/g, (_, command: string, first: string, second: string) => {
    if (command === 'V') return `V${down(first)}`;
    return second === undefined ? `H${across(first)}` : `${command}${across(first)} ${down(second)}`;
  });
}
