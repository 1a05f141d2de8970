import { findRange, jackOf, jacksOf, type Instrument, type ReadingQuantity } from '../../instrument/index.ts';
import { formatQuantity } from '../../quantity/index.ts';
import { circle, roundedBox, type Mark } from '../symbols/mark.ts';
import { leadSign } from '../symbols/meter-marks.ts';
import { displayHeight, displayMarks } from './display-window.ts';
import { dialOf, type Dial } from './dial-window.ts';
import type { DisplayedDigits, MeterSetting, Needle } from './meter-setting.ts';

/** Setting and indication in a picture of an instrument. */
export interface MeterShown {
  /** Null for the face alone. */
  readonly setting: MeterSetting | null;
  /** Settings to mark, such as those that were read on. */
  readonly marked?: readonly MeterSetting[];
  /** Setting of the same instrument until now; arrows lead from there. Null if it is not known. */
  readonly from?: MeterSetting | null;
  /** Of a digital instrument; null leaves the display blank, and without it there is none. */
  readonly digits?: DisplayedDigits | null;
  /** Of an analogue instrument. */
  readonly needle?: Needle;
}

/** Picture of an instrument, px. */
export interface MeterPicture {
  readonly width: number;
  readonly height: number;
  readonly marks: readonly Mark[];
  /** Scale in use and its arc, to place the needle by; null on a digital instrument. */
  readonly dial: Dial | null;
}

const width = 480;
const margin = 12;
/** Height of a line of ranges, and of a jack. */
const lineHeight = 25;
/** Right edge of the ranges, and the middle of the jacks. */
const endOfRanges = 356;
const jackX = 392;
const textSize = 13;
/** Share of its size that a character of the mono face is wide. */
const characterWidth = 0.6;
const beginOfRanges = 58;
/** x of the arrow from one function to another. */
const gutter = 50;

const signs: Readonly<Record<ReadingQuantity, string>> = { 'dc-voltage': 'V', 'dc-current': 'A', resistance: 'Ω' };

/**
 * Returns the picture of an instrument as it must be set: display or scale, a line for each function with its ranges as stops, and
 * the jacks with both leads. Everything is derived from the instrument's data.
 */
export function meterPicture(instrument: Instrument, shown: MeterShown): MeterPicture {
  const { setting, from = null, marked = [] } = shown;
  const place = { x: margin, y: margin, width: width - 2 * margin };
  const isAnalogue = instrument.display === 'analogue';
  const dial = isAnalogue ? dialOf(instrument, setting, place) : null;
  const hasDisplay = !dial && shown.digits !== undefined;
  const window = dial?.marks(shown.needle) ?? (hasDisplay ? displayMarks(shown.digits ?? null, place) : []);
  const top = margin + (dial ? dial.height + 8 : hasDisplay ? displayHeight + 8 : -4);
  const selector = selectorMarks(instrument, setting, from, marked, top);
  const jacks = jackMarks(instrument, setting, from, top);
  const height = Math.max(selector.bottom, jacks.bottom) + 7;
  const body: Mark = {
    shape: 'path',
    d: roundedBox(1, 1, width - 2, height - 2, 14),
    fill: 'sheet',
    stroke: 'ink',
    width: 2,
  };
  return { width, height, marks: [body, ...window, ...selector.marks, ...jacks.marks], dial: dial?.dial ?? null };
}

interface Stop {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly text: string;
  readonly isSet: boolean;
  readonly isLeft: boolean;
  readonly isMarked: boolean;
}

/** Ranges of every function as stops on a line; the stop that is set is filled, an arrow leads to it from the one before. */
function selectorMarks(
  { functions = [] }: Instrument,
  setting: MeterSetting | null,
  from: MeterSetting | null,
  marked: readonly MeterSetting[],
  top: number,
): { readonly marks: Mark[]; readonly bottom: number } {
  const marks: Mark[] = [];
  const stops: Stop[] = [];
  let y = top + lineHeight / 2;
  for (const { quantity, ranges } of functions) {
    marks.push(...functionSign(quantity, quantity === setting?.quantity, y));
    const begin = y;
    let x = beginOfRanges;
    for (const { id } of ranges) {
      const wide = id.length * textSize * characterWidth + 14;
      if (x + wide > endOfRanges) {
        x = beginOfRanges;
        y += lineHeight;
      }
      const isAt = (one: MeterSetting | null): boolean => one?.quantity === quantity && one.range === id;
      stops.push({
        x,
        y,
        width: wide,
        text: id,
        isSet: isAt(setting),
        isLeft: isAt(from) && !isAt(setting),
        isMarked: marked.some(isAt),
      });
      x += wide + 6;
    }
    for (let line = begin; line <= y; line += lineHeight) {
      const end = Math.max(...stops.filter((one) => one.y === line).map((one) => one.x + one.width), beginOfRanges);
      marks.push({ shape: 'path', d: `M${beginOfRanges} ${line}H${end}`, stroke: 'line', width: 4, round: true });
    }
    y += lineHeight;
  }
  marks.push(...stops.flatMap(stopMarks));
  const [set, left] = [stops.find(({ isSet }) => isSet), stops.find(({ isLeft }) => isLeft)];
  if (set && left)
    marks.push(
      set.y === left.y
        ? archMarks({ x: middleOf(left), y: left.y - 11 }, middleOf(set))
        : arrowMarks({ x: gutter, y: left.y + (left.y < set.y ? 6 : -6) }, { x: gutter, y: set.y }),
    );
  return { marks, bottom: y - lineHeight / 2 };
}

const middleOf = ({ x, width: wide }: Stop): number => x + wide / 2;

function functionSign(quantity: ReadingQuantity, isSet: boolean, y: number): Mark[] {
  const tone = isSet ? 'ink' : 'soft';
  const isDirect = quantity !== 'resistance';
  return [
    { shape: 'text', x: margin, y: y + 5, text: signs[quantity], size: 16, tone, bold: isSet },
    // The sign for direct current: a line over three dashes.
    ...(isDirect
      ? [
          {
            shape: 'path',
            d: `M${margin + 13} ${y - 2}h12M${margin + 13} ${y + 2.5}h3m1.5 0h3m1.5 0h3`,
            stroke: tone,
            width: 1.3,
          } as const,
        ]
      : []),
  ];
}

function stopMarks({ x, y, width: wide, text, isSet, isLeft, isMarked }: Stop): Mark[] {
  return [
    {
      shape: 'path',
      d: roundedBox(x, y - 10, wide, 20, 10),
      fill: isSet ? 'ink' : 'sheet',
      stroke: isSet || isMarked ? 'ink' : isLeft ? 'soft' : 'line',
      width: isMarked ? 2 : isLeft ? 1.6 : 1.2,
      ...(isLeft && { dash: '3 3' }),
    },
    {
      shape: 'text',
      x: x + wide / 2,
      y: y + textSize * 0.35,
      text,
      size: textSize,
      tone: isSet ? 'sheet' : isMarked ? 'ink' : 'soft',
      mono: true,
      bold: isSet || isMarked,
      anchor: 'middle',
    },
  ];
}

interface Point {
  readonly x: number;
  readonly y: number;
}

/** Arrow over an arch to another place at the same height. */
const archMarks = (from: Point, x: number): Mark =>
  arrow(from, { x: (from.x + x) / 2, y: from.y - 13 }, { x, y: from.y });

/** Straight arrow. */
const arrowMarks = (from: Point, to: Point): Mark =>
  arrow(from, { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 }, to);

function arrow(from: Point, bend: Point, to: Point): Mark {
  const angle = Math.atan2(to.y - bend.y, to.x - bend.x);
  const barb = (turn: number): string =>
    `M${to.x} ${to.y}L${to.x - 8 * Math.cos(angle + turn)} ${to.y - 8 * Math.sin(angle + turn)}`;
  const d = `M${from.x} ${from.y}Q${bend.x} ${bend.y} ${to.x} ${to.y}${barb(0.5)}${barb(-0.5)}`;
  return { shape: 'path', d, stroke: 'ink', width: 2, round: true };
}

/** COM and the jacks of the red lead, with the rating of a fuse, and both leads. */
function jackMarks(
  instrument: Instrument,
  setting: MeterSetting | null,
  from: MeterSetting | null,
  top: number,
): { readonly marks: Mark[]; readonly bottom: number } {
  const jacks = jacksOf(instrument);
  const place = (index: number): number => top + lineHeight * (index + 0.5);
  const indexAt = ({ quantity, range }: MeterSetting): number => {
    const found = findRange(instrument, quantity, range);
    return found ? jacks.findIndex(({ name }) => name === jackOf(quantity, found)) + 1 : 0;
  };
  const used = setting ? indexAt(setting) : 0;
  const before = from ? indexAt(from) : 0;
  const bottom = top + lineHeight * (jacks.length + 1);
  const leads = [
    ...(setting ? leadSign('black', jackX, place(0) - 6, 1) : []),
    ...(used > 0 ? leadSign('red', jackX, place(used) - 6, 1) : []),
  ];
  const x = jackX - 22;
  const moved = before > 0 && used > 0 && before !== used;
  return {
    bottom,
    marks: [
      { shape: 'path', d: `M${endOfRanges + 3} ${top}V${bottom}`, stroke: 'line', width: 1 },
      ...jack(place(0), 'COM', null),
      ...jacks.flatMap(({ name, fuse }, index) => jack(place(index + 1), name, fuse)),
      ...leads,
      ...(moved
        ? [
            arrow(
              { x: x + 6, y: place(before) },
              { x: x - 14, y: (place(before) + place(used)) / 2 },
              { x, y: place(used) },
            ),
          ]
        : []),
    ],
  };
}

function jack(y: number, name: string, fuse: number | null): Mark[] {
  const x = jackX + 16;
  return [
    { shape: 'path', d: circle(jackX, y, 10.5), fill: 'sheet', stroke: 'ink', width: 1.6 },
    { shape: 'path', d: circle(jackX, y, 4), fill: 'line' },
    { shape: 'text', x, y: fuse === null ? y + 4.5 : y - 1, text: name, size: textSize, tone: 'ink', bold: true },
    ...(fuse === null
      ? []
      : [
          {
            shape: 'text',
            x,
            y: y + 11,
            text: `fuse ${formatQuantity(fuse, 'A', { digits: 3, trim: true })}`,
            size: 11,
            tone: 'soft',
          } as const,
        ]),
  ];
}
