import {
  curveOf,
  lawOf,
  type Element,
  type ElementKind,
  type ElementOf,
  type ResistorValues,
} from '../network/index.ts';
import { formatPercent, formatQuantity } from '../quantity/index.ts';
import type { Mark } from './symbols/mark.ts';

/** Symbol of a resistor: a box (IEC 60617) or a zigzag (IEEE 315). */
export type ResistorSymbol = 'box' | 'zigzag';

/** Draws a symbol about 0,0 with its line vertical and its `from` end up; px at scale 1. */
export interface SymbolPen {
  /** A stroke along a path of M, L, H, V and Z in whole px. */
  line(path: string, width?: number): Mark;
  /** A closed shape filled with the colour of the sheet. */
  shape(path: string): Mark;
  /** A circle on the vertical axis. */
  ring(y: number, radius: number): Mark;
}

/** Texts beside a symbol. */
export interface PartLabel {
  readonly value: string;
  /** A second line: its internal resistance, or the purpose of the part. */
  readonly note: string | null;
}

/** How a kind of element is drawn. */
interface DrawingKind<E> {
  /** px by which its symbol extends above and below its centre. */
  readonly halfHeight: number;
  /** px between two rails for symbol and label, in either density. */
  readonly room: { readonly roomy: number; readonly compact: number };
  symbol(element: E, pen: SymbolPen, resistor: ResistorSymbol): readonly Mark[];
  /** Its value, and a note in place of its purpose. */
  label(element: E, values: ResistorValues): { readonly value: string; readonly note?: string };
}

const short = { digits: 5, trim: true };

const usualRoom = { roomy: 88, compact: 50 };

const byKind: { readonly [Kind in ElementKind]: DrawingKind<ElementOf<Kind>> } = {
  source: {
    halfHeight: 5,
    room: usualRoom,
    symbol: (_, pen) => [pen.line('M-16 -5H16', 2.5), pen.line('M-8 5H8', 5), pen.line('M-25 -13H-17M-21 -17V-9')],
    label: ({ emf, internalResistance = 0, cellsInSeries = 1, cellsInParallel = 1 }) => {
      const inside = (internalResistance * cellsInSeries) / cellsInParallel;
      return {
        value: formatQuantity(emf * cellsInSeries, 'V', short),
        note: inside > 0 ? `${formatQuantity(inside, 'Ω', short)} inside` : 'ideal',
      };
    },
  },
  resistor: {
    halfHeight: 22,
    room: usualRoom,
    symbol: (_, pen, resistor) =>
      resistor === 'box'
        ? [pen.shape('M-9 -22H9V22H-9Z')]
        : [pen.line('M0 -22L8 -18L-8 -11L8 -4L-8 4L8 11L-8 18L0 22')],
    label: ({ resistance, tolerance, measuredResistance }, values) => {
      if (values === 'measured' && measuredResistance !== undefined)
        return { value: `${formatQuantity(measuredResistance, 'Ω', short)} measured` };
      const percent = tolerance ? ` ${formatPercent(tolerance, { digits: 2, trim: true })}` : '';
      return { value: formatQuantity(resistance, 'Ω', short) + percent };
    },
  },
  'current-source': {
    halfHeight: 17,
    room: usualRoom,
    symbol: (_, pen) => [pen.ring(0, 17), pen.line('M-17 0H17'), pen.line('M-24 12V-10M-28 -4L-24 -11L-20 -4', 1.8)],
    label: ({ current }) => ({ value: formatQuantity(current, 'A', short) }),
  },
  load: {
    halfHeight: 17,
    room: usualRoom,
    symbol: ({ polarised }, pen) => [
      pen.ring(0, 17),
      pen.line('M-12 -12L12 12M12 -12L-12 12'),
      ...(polarised ? [pen.line('M-27 -15H-19M-23 -19V-11')] : []),
    ],
    label: (load) => {
      const rated = `${formatQuantity(load.ratedVoltage, 'V', short)} ${formatQuantity(load.ratedCurrent, 'A', short)}`;
      const curve = curveOf(load);
      const law = lawOf(curve);
      return { value: law.isOhmic(curve.values) ? rated : `${rated} ${law.writeWord(curve.values)}` };
    },
  },
  switch: {
    halfHeight: 12,
    room: { roomy: 78, compact: 50 },
    symbol: ({ closed }, pen) => [pen.ring(-12, 3), pen.ring(12, 3), pen.line(closed ? 'M0 9V-9' : 'M0 9L13 -10', 2.5)],
    label: ({ closed }) => ({ value: closed ? 'closed' : 'open' }),
  },
  link: { halfHeight: 0, room: { roomy: 60, compact: 36 }, symbol: () => [], label: () => ({ value: '' }) },
};

/** Returns how elements of a kind are drawn. */
export const drawingKind = (kind: ElementKind): DrawingKind<Element> => byKind[kind];
