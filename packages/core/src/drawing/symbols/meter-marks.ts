import { circle, roundedBox, type Mark } from './mark.ts';
import type { AmmeterMark, VoltmeterMark } from '../rails/rail-drawing.ts';

/** Texts and colours of a meter in the drawing. */
export interface MeterStyle {
  /** Lines beside it, the reading first. */
  readonly lines: readonly string[];
  readonly chosen: boolean;
  /** Its fuse has blown. */
  readonly blown?: boolean;
}

/** A voltmeter in a column of its own, without its leads' signs. */
export function voltmeterMarks({ id, x, yRed, yBlack, y }: VoltmeterMark, style: MeterStyle): Mark[] {
  const wires =
    yRed === yBlack
      ? `M${x} ${yRed}V${y - 18}M${x} ${y + 18}v14h-32V${yBlack}`
      : `M${x} ${yRed}V${y + (yRed < y ? -18 : 18)}M${x} ${yBlack}V${y + (yBlack < y ? -18 : 18)}`;
  return [{ shape: 'path', d: wires, stroke: 'ochre-line', width: 2 }, ...faceMarks(id, x, y, style)];
}

/** An ammeter between a rail and the tie that the lifted ends are joined to, with its leads' signs. */
export function ammeterMarks({ id, x, yRail, yTie, tie, reversed }: AmmeterMark, style: MeterStyle): Mark[] {
  const down = yTie > yRail ? 1 : -1;
  const [plus, minus] = reversed ? [yTie, yRail] : [yRail, yTie];
  return [
    { shape: 'path', d: `M${x} ${yRail}V${yTie}`, stroke: 'ochre-line', width: 2 },
    { shape: 'path', d: `M${tie.x1} ${yTie}H${tie.x2}`, stroke: 'ink', width: 4, round: true },
    ...faceMarks(id, x, (yRail + yTie) / 2, style),
    ...leadSign('red', x, plus, plus === yRail ? down : -down),
    ...leadSign('black', x, minus, minus === yRail ? down : -down),
  ];
}

/**
 * The sign of a lead: a red triangle with +, a black square with −.
 *
 * @param side  1 if the meter is below, −1 if it is above
 */
export function leadSign(lead: 'red' | 'black', x: number, y: number, side: number): Mark[] {
  const tone = lead === 'red' ? 'lead-red' : 'lead-black';
  const at = y + side * 6;
  const triangle = `M${x - 8} ${at - side * 6}H${x + 8}L${x} ${at + side * 7}Z`;
  return [
    { shape: 'path', d: lead === 'red' ? triangle : roundedBox(x - 7, at - 6.5, 14, 13, 2), fill: tone },
    {
      shape: 'text',
      x: x - 11,
      y: at + 5 + side * 7,
      text: lead === 'red' ? '+' : '−',
      size: 16,
      tone,
      mono: true,
      bold: true,
      anchor: 'end',
    },
  ];
}

function faceMarks(id: string, x: number, y: number, { lines, chosen, blown = false }: MeterStyle): Mark[] {
  return [
    {
      shape: 'path',
      d: circle(x, y, 18),
      fill: 'sheet',
      stroke: 'ochre-line',
      width: chosen ? 4 : 2.5,
      ...(blown && { dash: '4 3' }),
    },
    { shape: 'text', x, y: y + 5, text: id, size: 14, tone: 'ochre', mono: true, bold: true, anchor: 'middle' },
    ...lines.map((text, index): Mark => ({
      shape: 'text',
      x: x + 27,
      y: y + 6 + index * 19 - (lines.length - 1) * 5,
      text,
      size: index === 0 ? 18 : 13,
      tone: index === 0 ? 'ochre' : 'soft',
      mono: true,
      bold: index === 0,
    })),
  ];
}
