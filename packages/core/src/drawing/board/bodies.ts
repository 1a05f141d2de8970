import type { Element, ElementKind, ElementOf } from '../../network/index.ts';
import { bandsOf, type Band } from '../../quantity/index.ts';
import { circle, type Mark } from '../symbols/mark.ts';
import type { Point } from './board-scale.ts';

/** Line from leg to leg along which a body lies. */
export interface Axis {
  readonly from: Point;
  readonly to: Point;
}

/** How a kind of part looks on a board. */
interface BoardKind<E> {
  /** Its body between its legs; undefined if its leads leave the board. */
  body?(element: E, axis: Axis): readonly Mark[];
  /** Signs of its leads where they enter the board. */
  readonly signs: { readonly from: string; readonly to: string };
}

/** px of a body along its leads, at most, and across. */
const body = { length: 46, width: 14 } as const;
/** px of a lead that stay visible at either end. */
const lead = 8;

const plain = { from: '', to: '' };

const byKind: { readonly [Kind in ElementKind]: BoardKind<ElementOf<Kind>> } = {
  source: { signs: { from: '+', to: '−' } },
  'current-source': { signs: { from: '+', to: '−' } },
  resistor: { body: resistorBody, signs: plain },
  load: {
    body: ({ polarised }, axis) => {
      const at = placeOn(axis);
      const [a, b, c, d] = [at(-7, -7), at(7, 7), at(-7, 7), at(7, -7)];
      const plus = at(-16, -9);
      return [
        leads(axis),
        { shape: 'path', d: circle(at(0, 0).x, at(0, 0).y, 10), fill: 'sheet', stroke: 'ink', width: 2 },
        { shape: 'path', d: `${line(a, b)}${line(c, d)}`, stroke: 'ink', width: 2 },
        ...(polarised
          ? [
              {
                shape: 'text',
                x: plus.x,
                y: plus.y + 4,
                text: '+',
                size: 13,
                tone: 'ink',
                bold: true,
                anchor: 'middle',
              } as const,
            ]
          : []),
      ];
    },
    signs: plain,
  },
  switch: {
    body: ({ closed }, axis) => {
      const at = placeOn(axis);
      const [near, far] = [at(-11, 0), at(11, 0)];
      const tip = closed ? far : at(9, 9);
      return [
        { shape: 'path', d: `${line(axis.from, near)}${line(far, axis.to)}`, stroke: 'ink', width: 2 },
        { shape: 'path', d: line(near, tip), stroke: 'ink', width: 3 },
        {
          shape: 'path',
          d: `${circle(near.x, near.y, 3)}${circle(far.x, far.y, 3)}`,
          fill: 'sheet',
          stroke: 'ink',
          width: 1.5,
        },
      ];
    },
    signs: plain,
  },
  link: {
    body: (_, axis) => [{ shape: 'path', d: line(axis.from, axis.to), stroke: 'ink', width: 3, round: true }],
    signs: plain,
  },
};

/** Returns how a kind of part looks on a board. */
export const boardKind = (kind: ElementKind): BoardKind<Element> => byKind[kind];

/** A box with the colour bands of its value, the tolerance apart. */
function resistorBody({ resistance, tolerance }: ElementOf<'resistor'>, axis: Axis): Mark[] {
  const at = placeOn(axis);
  const half = bodyLength(axis) / 2;
  const bands = bandsOf(resistance, tolerance) ?? [];
  return [
    leads(axis),
    { shape: 'path', d: box(at, -half, half, body.width / 2), fill: 'band-body', stroke: 'ink', width: 2 },
    ...bands.map((band, index) => bandMark(at, band, bandPlace(index, bands.length) * half, half)),
  ];
}

/** Returns the place of a band along a body, from −1 to 1: the last one of four or more is apart. */
function bandPlace(index: number, count: number): number {
  const isApart = count >= 4 && index === count - 1;
  return isApart ? 0.72 : -0.78 + index * (count > 4 ? 0.32 : 0.4);
}

const bandMark = (at: PlaceOn, band: Band, middle: number, half: number): Mark => ({
  shape: 'path',
  d: box(at, middle - 0.09 * half, middle + 0.09 * half, body.width / 2 - 1),
  fill: `band-${band}`,
});

/** Returns the length of a body on an axis, px; short if its legs are near to each other. */
export function bodyLength({ from, to }: Axis): number {
  return Math.max(body.width, Math.min(body.length, Math.hypot(to.x - from.x, to.y - from.y) - 2 * lead));
}

/** Returns a point by its distance from the middle of an axis, along it and across it, px. */
type PlaceOn = (along: number, sideways: number) => Point;

function placeOn({ from, to }: Axis): PlaceOn {
  const length = Math.hypot(to.x - from.x, to.y - from.y) || 1;
  const [ux, uy] = [(to.x - from.x) / length, (to.y - from.y) / length];
  const middle = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 };
  return (along, sideways) => ({ x: middle.x + along * ux - sideways * uy, y: middle.y + along * uy + sideways * ux });
}

const leads = ({ from, to }: Axis): Mark => ({ shape: 'path', d: line(from, to), stroke: 'ink', width: 2 });

const line = (a: Point, b: Point): string => `M${a.x} ${a.y}L${b.x} ${b.y}`;

function box(at: PlaceOn, first: number, last: number, half: number): string {
  const [a, b, c, d] = [at(first, -half), at(last, -half), at(last, half), at(first, half)];
  return `M${a.x} ${a.y}L${b.x} ${b.y}L${c.x} ${c.y}L${d.x} ${d.y}Z`;
}
