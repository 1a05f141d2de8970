import type { Axis } from '../axis.ts';
import { nodeTone, roundedBox, type Mark } from '../symbols/mark.ts';
import type { Rail } from './rail-and-part.ts';

/** A rail, its letter, and its ghost where the meters have moved it. */
export function railMarks(rail: Rail, nodes: readonly string[]): Mark[] {
  const tone = nodeTone(rail.node, nodes);
  const { x1, x2, y, ghostY, node, letter } = rail;
  const { width, height, size } = letter;
  const ghost: Mark[] =
    ghostY === null ? [] : [{ shape: 'path', d: `M${x1} ${ghostY}H${x2}`, stroke: tone, width: 1.5, dash: '5 4' }];
  return [
    ...ghost,
    { shape: 'path', d: `M${x1} ${y}H${x2}`, stroke: tone, width: 5, round: true },
    { shape: 'path', d: roundedBox(x1 - width - 1, y - height / 2, width, height, height / 4), fill: tone },
    {
      shape: 'text',
      x: x1 - width / 2 - 1,
      y: y + size * 0.36,
      text: node,
      size,
      tone: 'on-node',
      mono: true,
      bold: true,
      anchor: 'middle',
    },
  ];
}

/** The potential axis, its stretched parts marked. */
export function axisMarks(axis: Axis, width: number): Mark[] {
  return [
    ...axis.stretched.map(({ y1, y2 }): Mark => ({
      shape: 'path',
      d: zigzag(y1 + 2, y2 - 2),
      stroke: 'line',
      width: 2,
    })),
    ...axis.ticks.flatMap(({ y, value }): Mark[] => [
      { shape: 'path', d: `M58 ${y}H${width - 8}`, stroke: 'line', width: 1, faint: true },
      {
        shape: 'text',
        x: 38,
        y: y + 4,
        text: String(value).replace('-', '−'),
        size: 13,
        tone: 'soft',
        mono: true,
        anchor: 'end',
      },
    ]),
    { shape: 'text', x: 38, y: 14, text: 'V', size: 13, tone: 'soft', anchor: 'end' },
  ];
}

function zigzag(y1: number, y2: number): string {
  let path = `M50 ${y1}`;
  for (let y = y1 + 5, side = 1; y < y2; y += 5, side = -side) path += `L${50 + side * 3} ${y}`;
  return `${path}L50 ${y2}`;
}
