import type { MeterQuantity } from '../../instrument/index.ts';
import { formatQuantity } from '../../quantity/index.ts';
import { circle, type Mark } from '../symbols/mark.ts';

/** Values of a correction, V or A. */
export interface CorrectionShown {
  readonly quantity: MeterQuantity;
  /** Indicated value, freed from the meter's own error; null if none is typed. */
  readonly indicated: number | null;
  /** Corrected value and its U (k = 2); null if it is not known. */
  readonly corrected: { readonly value: number; readonly uncertainty: number } | null;
}

/** A source, its resistance and the meter as a loop; beside it what the meter indicates and what is there without it. */
export interface CorrectionPicture {
  readonly width: number;
  readonly height: number;
  readonly marks: readonly Mark[];
  /** px between the indicated and the corrected value, to be hatched; null if there is none. */
  readonly sag: { readonly x: number; readonly y: number; readonly width: number; readonly height: number } | null;
}

/** px of the loop, and of the column with the two values. */
const loop = { left: 44, right: 250, top: 24, bottom: 176 } as const;
const column = { left: 300, right: 352 } as const;
const size = { width: 430, height: 196 } as const;
/** Least px between two texts. */
const leastApart = 15;

/** Returns the picture of a correction. Heights in the column are in proportion to the values. */
export function correctionPicture(shown: CorrectionShown): CorrectionPicture {
  const { indicated, corrected } = shown;
  const largest = Math.max(Math.abs(indicated ?? 0), corrected ? Math.abs(corrected.value) + corrected.uncertainty : 0);
  const yOf = (value: number): number =>
    largest === 0 ? loop.bottom : loop.bottom - (Math.abs(value) / largest) * (loop.bottom - loop.top);
  const [yRead, yTrue] = [indicated === null ? null : yOf(indicated), corrected && yOf(corrected.value)];
  const unit = shown.quantity === 'dc-voltage' ? 'V' : 'A';
  return {
    ...size,
    marks: [
      ...loopMarks(shown.quantity),
      path(`M${column.left} ${loop.bottom}H${column.right}`, 'soft', 2),
      text(column.right + 6, loop.bottom + 4, '0', 'soft'),
      ...(corrected && yTrue !== null
        ? [
            band(
              yOf(Math.abs(corrected.value) + corrected.uncertainty),
              yOf(Math.max(0, Math.abs(corrected.value) - corrected.uncertainty)),
            ),
            path(`M${column.left} ${yTrue}H${column.right}`, 'ink', 5),
            text(column.right + 6, yTrue + 4, formatQuantity(corrected.value, unit, { digits: 3 }), 'ink'),
          ]
        : []),
      ...(indicated !== null && yRead !== null
        ? [
            path(`M${column.left} ${yRead}H${column.right}`, 'ochre-line', 5),
            text(
              column.right + 6,
              yTrue === null ? yRead + 4 : Math.max(yRead, yTrue + leastApart) + 4,
              formatQuantity(indicated, unit, { digits: 3 }),
              'ochre',
            ),
          ]
        : []),
    ],
    sag:
      yRead !== null && yTrue !== null && yRead > yTrue
        ? { x: column.left, y: yTrue, width: column.right - column.left, height: yRead - yTrue }
        : null,
  };
}

function loopMarks(quantity: MeterQuantity): Mark[] {
  const { left, right, top, bottom } = loop;
  const middle = (top + bottom) / 2;
  const across = (left + right) / 2;
  return [
    path(`M${left} ${middle - 5}V${top}H${across - 24}M${across + 24} ${top}H${right}V${middle - 22}`, 'ink', 2),
    path(`M${right} ${middle + 22}V${bottom}H${left}V${middle + 5}`, 'ink', 2),
    { shape: 'path', d: `M${across - 24} ${top - 9}h48v18h-48Z`, fill: 'sheet', stroke: 'ink', width: 2 },
    path(`M${left - 16} ${middle - 5}h32`, 'ink', 2.5),
    path(`M${left - 8} ${middle + 5}h16`, 'ink', 5),
    text(left - 22, middle - 8, '+', 'ink', 'end'),
    { shape: 'path', d: circle(right, middle, 22), fill: 'sheet', stroke: 'ochre-line', width: 2.5 },
    {
      ...text(right, middle + 6, quantity === 'dc-voltage' ? 'V' : 'A', 'ochre', 'middle'),
      size: 18,
      bold: true,
    } as Mark,
  ];
}

const path = (d: string, stroke: 'ink' | 'soft' | 'ochre-line', width: number): Mark => ({
  shape: 'path',
  d,
  stroke,
  width,
});

const band = (top: number, low: number): Mark => ({
  shape: 'path',
  d: `M${column.left} ${top}H${column.right}V${low}H${column.left}Z`,
  fill: 'sunk',
});

const text = (
  x: number,
  y: number,
  words: string,
  tone: 'ink' | 'soft' | 'ochre',
  anchor?: 'middle' | 'end',
): Mark => ({
  shape: 'text',
  x,
  y,
  text: words,
  size: 13,
  tone,
  mono: true,
  ...(anchor && { anchor }),
});
