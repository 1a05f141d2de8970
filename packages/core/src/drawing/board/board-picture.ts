import { carriedNodes, holesIn, legName, railOf, rails, type Board, type Strip } from '../../board/index.ts';
import { nodesOf, type Element, type Network } from '../../network/index.ts';
import { partLabel } from '../symbols/part-label.ts';
import { circle, nodeTone, roundedBox, type Mark, type Tone } from '../symbols/mark.ts';
import { textWidth } from '../symbols/text-width.ts';
import { across, heightOf, holePoint, holesOfRow, pitch, rowPlace, type Point } from './board-scale.ts';
import { boardKind, bodyLength, type Axis } from './bodies.ts';

/** A leg of a part, or an end of a wire, in a hole. */
export interface PluggedEnd extends Point {
  readonly hole: string;
  /** In words: `R3, first leg`. */
  readonly name: string;
}

/** A part on a board. */
export interface PartOnBoard {
  readonly id: string;
  readonly marks: readonly Mark[];
}

/** A board with what is on it. */
export interface BoardPicture {
  readonly width: number;
  readonly height: number;
  /** Rows and rails that carry a node, in its colour. */
  readonly carried: readonly Mark[];
  /** Their letters; wires run behind them. */
  readonly badges: readonly Mark[];
  readonly wires: readonly Mark[];
  readonly parts: readonly PartOnBoard[];
  /** Everything that can be moved from hole to hole. */
  readonly ends: readonly PluggedEnd[];
}

type TextMark = Extract<Mark, { readonly shape: 'text' }>;

/** Size of the texts on the board, px. */
const textSize = 13;

/** Returns the picture of a board. Its ground is separate, because it does not change when something is moved. */
export function boardPicture(network: Network, board: Board): BoardPicture {
  const elements = new Map(network.elements.map((element) => [element.id, element]));
  const placed = board.parts.flatMap(({ id, from, to }): Placed[] => {
    const element = elements.get(id);
    if (!element) return [];
    const hasBody = from !== undefined && to !== undefined && boardKind(element.kind).body !== undefined;
    return [{ element, from, to, axis: hasBody ? { from: holePoint(from), to: holePoint(to) } : null }];
  });
  const carried = carriedNodes(network, board).nodeOf;
  const nodes = nodesOf(network);
  return {
    width: across.width,
    height: heightOf(board),
    carried: [...carried].map(([strip, node]) => carriedMark(board, strip, nodeTone(node, nodes))),
    badges: [...carried].flatMap(([strip, node]) => badgeMarks(board, strip, node, nodeTone(node, nodes))),
    wires: board.wires.map(({ from, to }) => wireMark(holePoint(from), holePoint(to))),
    parts: placed.map((part) => ({
      id: part.element.id,
      marks: [
        ...(part.axis ? boardKind(part.element.kind).body!(part.element, part.axis) : []),
        ...legMarks(part),
        ...(part.axis ? labelMarks(part.element, part.axis, placed, network) : []),
      ],
    })),
    ends: [
      ...placed.flatMap(({ element: { id, kind }, from, to }) => [
        ...(from === undefined ? [] : [end(from, `${id}, ${legName(kind, 'from')}`)]),
        ...(to === undefined ? [] : [end(to, `${id}, ${legName(kind, 'to')}`)]),
      ]),
      ...board.wires.flatMap(({ from, to }) => [end(from, `wire to ${to}`), end(to, `wire to ${from}`)]),
    ],
  };
}

/** A part, its holes, and the line from leg to leg; no line if a leg is in no hole or its leads leave the board. */
interface Placed {
  readonly element: Element;
  readonly from: string | undefined;
  readonly to: string | undefined;
  readonly axis: Axis | null;
}

/** Returns every mark of a board that is only looked at, from the back to the front. */
export function stillBoard(
  network: Network,
  board: Board,
): { readonly width: number; readonly height: number; readonly marks: readonly Mark[] } {
  const { width, height, carried, wires, badges, parts } = boardPicture(network, board);
  return {
    width,
    height,
    marks: [...groundMarks(board), ...carried, ...wires, ...badges, ...parts.flatMap(({ marks }) => marks)],
  };
}

const end = (hole: string, name: string): PluggedEnd => ({ hole, name, ...holePoint(hole) });

/** Returns the marks of an empty board: rows, rails, holes, and the numbers of the rows. */
export function groundMarks(board: Pick<Board, 'rows' | 'splitRails'>): Mark[] {
  const numbers = Array.from({ length: board.rows }, (_, k) => k + 1);
  const rows = numbers.flatMap((row) => [stripBox(board, `${row}L`), stripBox(board, `${row}R`)]);
  const long = rails.flatMap((rail) => (board.splitRails ? [`${rail}1`, `${rail}2`] : [rail]));
  return [
    { shape: 'path', d: rows.join(''), fill: 'sunk' },
    { shape: 'path', d: long.map((strip) => stripBox(board, strip)).join(''), fill: 'sunk' },
    { shape: 'path', d: numbers.flatMap(holesOfRow).map(dot).join(''), fill: 'soft' },
    ...numbers.map((row): Mark => ({
      shape: 'text',
      x: across.gap,
      y: rowPlace(row) + 4,
      text: String(row),
      size: 11,
      tone: 'soft',
      mono: true,
      anchor: 'middle',
    })),
    ...[...'abcdefghij'].map((column): Mark => sign(`1${column}`, column, -14)),
    ...rails.flatMap((rail) => {
      const text = rail.endsWith('+') ? '+' : '−';
      return [sign(`1${rail}`, text, -14), sign(`${board.rows}${rail}`, text, 21)];
    }),
  ];
}

function sign(hole: string, text: string, below: number): Mark {
  const { x, y } = holePoint(hole);
  return { shape: 'text', x, y: y + below, text, size: 12, tone: 'soft', mono: true, anchor: 'middle' };
}

function dot(hole: string): string {
  const { x, y } = holePoint(hole);
  return circle(x, y, 2.5);
}

/** px around the holes of a strip. */
const rim = 8;

function stripBox(board: Pick<Board, 'rows' | 'splitRails'>, strip: Strip): string {
  const holes = holesIn(board, strip);
  const [first, last] = [holePoint(holes[0]!), holePoint(holes.at(-1)!)];
  return roundedBox(first.x - rim, first.y - rim, last.x - first.x + 2 * rim, last.y - first.y + 2 * rim, rim);
}

/** A strip that carries a node, as a line in its colour. */
function carriedMark(board: Board, strip: Strip, tone: Tone): Mark {
  const holes = holesIn(board, strip);
  const [first, last] = [holePoint(holes[0]!), holePoint(holes.at(-1)!)];
  return { shape: 'path', d: `M${first.x} ${first.y}L${last.x} ${last.y}`, stroke: tone, width: 5, round: true };
}

/** Letter of a node beside its row, or in the middle of its rail. */
function badgeMarks(board: Board, strip: Strip, node: string, tone: Tone): Mark[] {
  const holes = holesIn(board, strip);
  const { x, y } = holePoint(holes[0]!);
  if (railOf(strip) === null)
    return badge(strip.endsWith('L') ? across.badges.left : across.badges.right, y, node, tone);
  // Between two rows, so that no leg is below it.
  const middle = holePoint(holes[Math.floor((holes.length - 1) / 2)]!);
  return badge(x, middle.y + pitch.row / 2, node, tone);
}

function badge(x: number, y: number, node: string, tone: Tone): Mark[] {
  const width = Math.max(19, textWidth(node, textSize, 'mono') + 8);
  return [
    { shape: 'path', d: roundedBox(x - width / 2, y - 9.5, width, 19, 4), fill: tone },
    {
      shape: 'text',
      x,
      y: y + 4.5,
      text: node,
      size: textSize,
      tone: 'on-node',
      mono: true,
      bold: true,
      anchor: 'middle',
    },
  ];
}

/** A wire: straight along a row, else a little bowed, so that it is not taken for a lead of a part. */
function wireMark(a: Point, b: Point): Mark {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const bow = dy === 0 ? 0 : 0.12;
  const [x, y] = [(a.x + b.x) / 2 - dy * bow, (a.y + b.y) / 2 + dx * bow];
  return { shape: 'path', d: `M${a.x} ${a.y}Q${x} ${y} ${b.x} ${b.y}`, stroke: 'ochre-line', width: 3.5, round: true };
}

function legMarks({ element: { id, kind }, from, to }: Placed): Mark[] {
  const { signs } = boardKind(kind);
  return [[from, signs.from, 'lead-red'] as const, [to, signs.to, 'lead-black'] as const].flatMap(
    ([hole, text, tone]): Mark[] => {
      if (hole === undefined) return [];
      const { x, y } = holePoint(hole);
      if (text === '') return [{ shape: 'path', d: circle(x, y, 4), fill: 'ink' }];
      return [
        { shape: 'path', d: circle(x, y, 6), fill: tone },
        { shape: 'text', x, y: y - 9, text: `${id}${text}`, size: 12, tone, bold: true, anchor: 'middle', halo: true },
      ];
    },
  );
}

/** Name and value beside a body, as much of it as there is room for up to the next body. */
function labelMarks(element: Element, axis: Axis, placed: readonly Placed[], { values }: Network): Mark[] {
  const middle = middleOf(axis);
  const start = middle.x + 11;
  const half = bodyLength(axis) / 2 + textSize;
  const next = placed
    .flatMap((one) => (one.axis && one.element !== element ? [one.axis] : []))
    .filter(
      (other) =>
        middleOf(other).x > middle.x &&
        Math.min(other.from.y, other.to.y) < middle.y + half &&
        Math.max(other.from.y, other.to.y) > middle.y - half,
    )
    .map((other) => Math.min(other.from.x, other.to.x, middleOf(other).x - 8));
  const room = Math.min(across.width, ...next) - start - 2;
  const value = partLabel(element, values).value.replace(/ [\d.]+\u00a0%$/, '');
  const name: TextMark = {
    shape: 'text',
    x: start,
    y: middle.y + 4,
    text: element.id,
    size: textSize,
    tone: 'ink',
    bold: true,
    halo: true,
  };
  const beside: TextMark = {
    shape: 'text',
    x: start,
    y: middle.y + 4,
    text: value,
    size: textSize - 1,
    tone: 'ink',
    mono: true,
    halo: true,
  };
  const [nameWidth, valueWidth] = [textWidth(element.id, textSize), textWidth(value, textSize - 1, 'mono')];
  if (value === '' || (room < nameWidth + 6 + valueWidth && room < valueWidth)) return [name];
  if (room >= nameWidth + 6 + valueWidth) return [name, { ...beside, x: start + nameWidth + 6 }];
  return [
    { ...name, y: middle.y - 3 },
    { ...beside, y: middle.y + 11 },
  ];
}

const middleOf = ({ from, to }: Axis): Point => ({ x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 });

/** Returns the marks that ring holes. */
export const ringMarks = (holes: readonly string[]): Mark[] =>
  holes.map((hole) => {
    const { x, y } = holePoint(hole);
    return { shape: 'path', d: circle(x, y, 10), stroke: 'fault', width: 3 };
  });
