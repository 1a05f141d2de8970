import type { Setup, SetupValues } from '../../loading/index.ts';
import { formatQuantity } from '../../quantity/index.ts';
import type { RailDrawing } from '../rails/rail-drawing.ts';
import { sagOf, sagTextSize, type Sag } from '../rails/sag.ts';
import type { Mark } from './mark.ts';
import { ammeterMarks, leadSign, voltmeterMarks } from './meter-marks.ts';

/** Meters of a set-up as they are drawn. */
export interface DrawnMeters {
  readonly setup: Setup;
  readonly values: SetupValues | null;
  /** The meter that is chosen: its sag is drawn alone; that of all meters if null. */
  readonly chosen: string | null;
  /** Lines beside each meter by its id, the reading first. */
  readonly lines: Readonly<Record<string, readonly string[]>>;
}

/** Returns the marks of a set-up's meters with their leads, and of the voltages by which they pull rails down. */
export function setupMarks(drawing: RailDrawing, { setup, values, chosen, lines }: DrawnMeters): Mark[] {
  const style = (id: string) => ({ lines: lines[id] ?? [], chosen: id === chosen });
  return [
    ...sagsIn(drawing, { setup, values, chosen }).flatMap(sagMarks),
    ...drawing.ammeters.flatMap((mark) =>
      ammeterMarks(mark, { ...style(mark.id), blown: values?.meters[mark.id]?.state === 'fuse-blown' }),
    ),
    ...drawing.voltmeters.flatMap((mark) => {
      const { x, y, yRed, yBlack } = mark;
      const sideOf = (end: number): number => (end < y ? 1 : -1);
      return [
        ...voltmeterMarks(mark, style(mark.id)),
        ...leadSign('red', x, yRed, sideOf(yRed)),
        ...leadSign('black', yRed === yBlack ? x - 32 : x, yBlack, sideOf(yBlack)),
      ];
    }),
  ];
}

/** Least height of a sag that has room for its dimension, px. */
const leastDimension = 5;

/** px between the lines of the hatching. */
const hatching = 7;

/** A sag with the id of its voltmeter and the figure of its dimension. */
export interface MeterSag {
  readonly meter: string;
  readonly figure: string;
  readonly sag: Sag;
}

/** Returns the sags that the voltmeters of a set-up cause: that of the chosen meter, or of all if none is chosen. */
export const sagsIn = (
  drawing: RailDrawing,
  { setup, values, chosen }: Pick<DrawnMeters, 'setup' | 'values' | 'chosen'>,
): MeterSag[] =>
  drawing.voltmeters.flatMap((mark): MeterSag[] => {
    const meter = setup.meters.find(({ id }) => id === mark.id);
    const { error, unit } = values?.meters[mark.id] ?? {};
    if (meter?.quantity !== 'dc-voltage' || meter.red === meter.black || mark.id !== (chosen ?? mark.id)) return [];
    // A wrong connection may put an ammeter in its place.
    if (!error || !unit?.endsWith('V')) return [];
    const figure = formatQuantity(error, 'V', { digits: 3, signed: true });
    const sag = sagOf(drawing, mark, meter.red, figure);
    return sag ? [{ meter: mark.id, figure, sag }] : [];
  });

function sagMarks({ figure, sag: { x1, x2, top, bottom, x, text } }: MeterSag): Mark[] {
  const height = bottom - top;
  const lines = Math.max(0, Math.floor((x2 - x1 - height) / hatching));
  const hatch = Array.from({ length: lines }, (_, k) => `M${x1 + k * hatching} ${bottom}l${height} ${-height}`).join(
    '',
  );
  return [
    ...(hatch ? [{ shape: 'path', d: hatch, stroke: 'ochre-line', width: 1, faint: true } as const] : []),
    ...(height >= leastDimension
      ? [
          {
            shape: 'path',
            d: `M${x} ${top}V${bottom}M${x - 5} ${top}h10M${x - 5} ${bottom}h10`,
            stroke: 'ochre-line',
            width: 1.5,
          } as const,
        ]
      : []),
    {
      shape: 'text',
      x: text.x,
      y: text.y,
      text: figure,
      size: sagTextSize,
      tone: 'ochre',
      mono: true,
      bold: true,
      halo: true,
      ...(text.anchor !== 'start' && { anchor: text.anchor }),
    },
  ];
}
