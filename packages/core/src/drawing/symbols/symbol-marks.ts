import type { Element } from '../../network/index.ts';
import { drawingKind, type ResistorSymbol, type SymbolPen } from '../by-kind.ts';
import { circle, type Mark } from './mark.ts';

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
export const symbolMarks = (element: Element, resistor: ResistorSymbol, place: SymbolPlace): readonly Mark[] =>
  drawingKind(element.kind).symbol(element, penAt(place), resistor);

function penAt(place: SymbolPlace): SymbolPen {
  const { x, y, scale } = place;
  const outline = (d: string): Mark => ({ shape: 'path', d, stroke: 'ink', width: 2 * scale, fill: 'sheet' });
  return {
    line: (path, width = 2) => ({ shape: 'path', d: placed(path, place), stroke: 'ink', width: width * scale }),
    shape: (path) => outline(placed(path, place)),
    ring: (at, radius) => outline(circle(x, y + at * scale, radius * scale)),
  };
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
