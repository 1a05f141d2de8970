import { carriedNodes, holesIn, lastUpperRow, rails, usedHoles, type Board, type Strip } from '../../board/index.ts';
import { nodesOf, type Element, type Network } from '../../network/index.ts';
import { partLabel } from '../symbols/part-label.ts';
import { circle, nodeTone, roundedBox, type Mark } from '../symbols/mark.ts';
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
  const placed = board.parts.flatMap((part) => {
    const element = elements.get(part.id);
    return element ? [{ element, from: part.from, to: part.to }] : [];
  });
  const axes = placed.flatMap(({ element, from, to }) =>
    from !== undefined && to !== undefined && boardKind(element.kind).body
      ? [{ element, axis: { from: holePoint(from), to: holePoint(to) } }]
      : [],
  );
  return {
    width: across.width,
    height: heightOf(board),
    carried: carriedMarks(network, board),
    badges: badgeMarks(network, board),
    wires: board.wires.map(({ from, to }) => wireMark(holePoint(from), holePoint(to))),
    parts: placed.map(({ element, from, to }) => ({
      id: element.id,
      marks: [
        ...(axes.some((one) => one.element === element)
          ? boardKind(element.kind).body!(element, axes.find((one) => one.element === element)!.axis)
          : []),
        ...legMarks(element, from, to),
        ...labelMarks(element, axes, network),
      ],
    })),
    ends: [
      ...placed.flatMap(({ element: { id, kind }, from, to }) => {
        const { signs } = boardKind(kind);
        return [
          ...(from === undefined ? [] : [end(from, `${id}, ${signs.from ? `${signs.from} lead` : 'first leg'}`)]),
          ...(to === undefined ? [] : [end(to, `${id}, ${signs.to ? `${signs.to} lead` : 'second leg'}`)]),
        ];
      }),
      ...board.wires.flatMap(({ from, to }) => [end(from, `wire to ${to}`), end(to, `wire to ${from}`)]),
    ],
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

/** Strips that carry a node, as lines in its colour. */
function carriedMarks(network: Network, board: Board): Mark[] {
  const nodes = nodesOf(network);
  return [...carriedNodes(network, board).nodeOf].map(([strip, node]): Mark => {
    const holes = holesIn(board, strip);
    const [first, last] = [holePoint(holes[0]!), holePoint(holes.at(-1)!)];
    const d = `M${first.x} ${first.y}L${last.x} ${last.y}`;
    return { shape: 'path', d, stroke: nodeTone(node, nodes), width: 5, round: true };
  });
}

/** Letters of the nodes beside their rows, and in the middle of their rails. */
function badgeMarks(network: Network, board: Board): Mark[] {
  const nodes = nodesOf(network);
  return [...carriedNodes(network, board).nodeOf].flatMap(([strip, node]) => {
    const tone = nodeTone(node, nodes);
    if (!/^\d/.test(strip)) return railBadges(board, strip, node, tone);
    const { y } = holePoint(holesIn(board, strip)[0]!);
    return badge(strip.endsWith('L') ? across.badges.left : across.badges.right, y, node, tone);
  });
}

function railBadges(board: Board, strip: Strip, node: string, tone: ReturnType<typeof nodeTone>): Mark[] {
  const holes = holesIn(board, strip);
  const { x } = holePoint(holes[0]!);
  // In the middle between two rows, where no leg is.
  const row = strip.endsWith('2') ? (lastUpperRow(board) + 1 + board.rows) / 2 : (1 + holes.length) / 2;
  return badge(x, rowPlace(Math.floor(row)) + pitch.row / 2, node, tone);
}

function badge(x: number, y: number, node: string, tone: ReturnType<typeof nodeTone>): Mark[] {
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

function legMarks({ id, kind }: Element, from: string | undefined, to: string | undefined): Mark[] {
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
function labelMarks(
  element: Element,
  axes: readonly { readonly element: Element; readonly axis: Axis }[],
  { values }: Network,
): Mark[] {
  const own = axes.find((one) => one.element === element);
  if (!own) return [];
  const middle = middleOf(own.axis);
  const start = middle.x + 11;
  const half = bodyLength(own.axis) / 2 + textSize;
  const next = axes
    .filter((one) => one !== own && middleOf(one.axis).x > middle.x)
    .filter(
      ({ axis }) =>
        Math.min(axis.from.y, axis.to.y) < middle.y + half && Math.max(axis.from.y, axis.to.y) > middle.y - half,
    )
    .map(({ axis }) => Math.min(axis.from.x, axis.to.x, middleOf(axis).x - 8));
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

/** Returns the first free hole of a strip; null if all are taken. */
export function freeHoleOf(board: Board, strip: Strip): string | null {
  const used = new Set(usedHoles(board));
  return holesIn(board, strip).find((hole) => !used.has(hole)) ?? null;
}
