import { roundedBox, type Mark } from '../symbols/mark.ts';
import type { DisplayedDigits, FaceWindow } from './meter-setting.ts';

/** Height of a display, px. */
export const displayHeight = 52;

/** Returns a display with its digits and unit: those that are read in the colour of indications, expected ones grey. */
export function displayMarks(digits: DisplayedDigits | null, { x, y, width }: FaceWindow): Mark[] {
  const frame: Mark = {
    shape: 'path',
    d: roundedBox(x, y, width, displayHeight, 8),
    stroke: 'line',
    width: 1.5,
  };
  if (!digits) return [frame];
  const tone = digits.isExpected ? 'soft' : 'ochre';
  const unitWide = 62;
  return [
    frame,
    ...(digits.isExpected
      ? [{ shape: 'text', x: x + 12, y: y + 31, text: 'expected', size: 13, tone: 'soft' } as const]
      : []),
    {
      shape: 'text',
      x: x + width - unitWide,
      y: y + 38,
      text: digits.text,
      size: 34,
      tone,
      mono: true,
      bold: !digits.isExpected,
      anchor: 'end',
    },
    { shape: 'text', x: x + width - unitWide + 8, y: y + 38, text: digits.unit, size: 20, tone, mono: true },
  ];
}
