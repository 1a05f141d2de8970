import type { Element } from '../network/index.ts';
import { circle, type Mark } from './mark.ts';

/** How a resistor is drawn: as a box (IEC 60617) or as a zigzag (IEEE 315). */
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

const line = (d: string, width = 2): Mark => ({ shape: 'path', d, stroke: 'ink', width });
const outline = (d: string, width = 2): Mark => ({ shape: 'path', d, stroke: 'ink', width, fill: 'sheet' });

/** A part's symbol, centred on 0,0 with its line vertical and its `from` end up. */
export function symbolMarks(element: Element, resistor: ResistorSymbol): readonly Mark[] {
  switch (element.kind) {
    case 'resistor':
      return resistor === 'box'
        ? [outline('M-9 -22H9V22H-9Z')]
        : [line('M0 -22L8 -18L-8 -11L8 -4L-8 4L8 11L-8 18L0 22')];
    case 'source':
      return [line('M-16 -5H16', 2.5), line('M-8 5H8', 5), line('M-25 -13H-17M-21 -17V-9')];
    case 'current-source':
      return [outline(circle(0, 0, 17)), line('M-17 0H17'), line('M-24 12V-10M-28 -4L-24 -11L-20 -4', 1.8)];
    case 'load':
      return [outline(circle(0, 0, 17)), line('M-12 -12L12 12M12 -12L-12 12')];
    case 'switch':
      return [
        outline(circle(0, -12, 3)),
        outline(circle(0, 12, 3)),
        line(element.closed ? 'M0 9V-9' : 'M0 9L13 -10', 2.5),
      ];
    case 'link':
      return [];
  }
}
