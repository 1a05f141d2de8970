import type { Meter, VoltmeterPlacement, AmmeterPlacement } from '../loading/index.ts';
import { parseEnd, type Element, type Network } from '../network/index.ts';
import type { NetworkValues } from '../solver/index.ts';
import { potentialAxis, type Axis } from './axis.ts';
import { addMeterColumn, arrangeColumns, type Column } from './columns.ts';
import { nodeLevels, railOrder } from './levels.ts';
import { partLabel, type PartLabel } from './part-label.ts';
import { evenHeights, scaledHeights, type Room } from './rail-heights.ts';
import { textWidth } from './text-width.ts';

export interface DrawingInput {
  readonly network: Network;
  /** Solved with no meter; null where it has no solution. */
  readonly truth: NetworkValues | null;
  /** Solved with the set-up's meters in; null without meters. */
  readonly loaded?: NetworkValues | null;
  readonly meters?: readonly Meter[];
  readonly spacing: 'even' | 'scale';
  /** px that the rails may take from the highest to the lowest. */
  readonly height: number;
  /** px that the drawing may be spread over; it is wider where the parts need it. */
  readonly width: number;
  /** A line of live values beside each part. */
  readonly live?: Readonly<Record<string, string>>;
  /** What stands beside each meter, a line each. */
  readonly meterLines?: Readonly<Record<string, readonly string[]>>;
}

/** A node as a horizontal bar. */
export interface Rail {
  readonly node: string;
  readonly x1: number;
  readonly x2: number;
  readonly y: number;
  /** Where it stands without the meters, to scale from where it is; null where they do not move it by half a pixel. */
  readonly ghostY: number | null;
}

/** An element as a vertical line with its symbol. */
export interface Part {
  readonly element: Element;
  readonly x: number;
  readonly yTop: number;
  readonly yBottom: number;
  /** Centre of the symbol. */
  readonly ySymbol: number;
  /** The end called `from` is the lower one. */
  readonly inverted: boolean;
  /** Both ends on one rail: drawn as a loop below it. */
  readonly looped: boolean;
  readonly label: PartLabel & { readonly x: number; readonly width: number; readonly live: string | null };
}

/** A voltmeter as a column of its own. */
export interface VoltmeterMark {
  readonly id: string;
  readonly x: number;
  readonly yRed: number;
  readonly yBlack: number;
  readonly y: number;
  /** Height of the red lead's rail without the meters. */
  readonly ghostRed: number | null;
}

/** An ammeter in a break: between a rail and the short tie that the lifted ends are joined to. */
export interface AmmeterMark {
  readonly id: string;
  readonly x: number;
  readonly yRail: number;
  readonly yTie: number;
  readonly tie: { readonly x1: number; readonly x2: number };
  readonly reversed: boolean;
}

/** Everything about a drawing of rails as plain numbers, px. */
export interface RailDrawing {
  readonly width: number;
  readonly height: number;
  readonly rails: readonly Rail[];
  readonly parts: readonly Part[];
  readonly voltmeters: readonly VoltmeterMark[];
  readonly ammeters: readonly AmmeterMark[];
  readonly axis: Axis | null;
}

const margin = { left: 20, axis: 44, top: 34, bottom: 26, right: 20 };

/** px of a drawing's height that are not between its rails. */
export const drawingEdge = margin.top + margin.bottom;

const badge = 34;
const overhang = 18;
const labelSize = 14;
const tieDistance = 66;
const leastStretch = 60;
const roomOf = (element: Element): number => (element.kind === 'link' ? 60 : element.kind === 'switch' ? 78 : 88);
const meterRoom = 100;

/**
 * Lays a network out as rails and columns, with the meters of a set-up in their places.
 *
 * Rails stand at their potential with the meters in; the ghost of a rail is where it stands without. Everything is a pure
 * function of its input, so the same network is always drawn the same way.
 */
export function drawRails(input: DrawingInput): RailDrawing {
  const { network, meters = [] } = input;
  const trueLevels = nodeLevels(network, input.truth);
  const levels = input.loaded ? nodeLevels(network, input.loaded) : trueLevels;
  const order = railOrder(network, levels);
  const rank = new Map(order.map((node, index) => [node, index]));
  const present = new Set(order);
  const voltmeters = meters.filter(
    (m): m is VoltmeterPlacement => m.quantity === 'dc-voltage' && present.has(m.red) && present.has(m.black),
  );
  const breaks = meters
    .filter((m): m is AmmeterPlacement => m.quantity === 'dc-current' && present.has(m.node))
    .map((m) => placeBreak(m, network, rank));
  const lifted = new Map(breaks.flatMap((b) => b.ends.map((end) => [end, b] as const)));

  const links: Link[] = [...network.elements];
  let columns: Column[] = arrangeColumns(network, order);
  for (const meter of voltmeters) {
    links.push({ id: meterKey(meter.id), from: meter.red, to: meter.black });
    columns = addMeterColumn(columns, links, meterKey(meter.id), order);
  }

  const rooms: Room[] = network.elements.map((element) => {
    const [a, b] = [rank.get(element.from)!, rank.get(element.to)!];
    const ties = [`${element.id}.from`, `${element.id}.to`].filter((end) => lifted.has(end)).length;
    return { top: Math.min(a, b), bottom: Math.max(a, b), height: roomOf(element) + ties * tieDistance };
  });
  for (const { red, black } of voltmeters) {
    const [a, b] = [rank.get(red)!, rank.get(black)!];
    rooms.push({ top: Math.min(a, b), bottom: Math.max(a, b), height: meterRoom });
  }
  const drawnLevels = order.map((node) => levels.get(node)!);
  const toScale = input.spacing === 'scale' && input.truth !== null;
  const heights = toScale
    ? scaledHeights(drawnLevels, rooms, input.height)
    : evenHeights(order.length, rooms, input.height);
  const y = heights.y.map((value) => value + margin.top);
  const left = margin.left + (toScale ? margin.axis : 0);
  const x = columnPlaces(columns, links, input, left + badge + overhang);
  const place = new Map(columns.flatMap((column, index) => column.map((id) => [id, x[index]!] as const)));

  const range = drawnLevels[0]! - drawnLevels[drawnLevels.length - 1]!;
  const pixelsPerVolt = toScale ? heights.scale : range > 0 ? input.height / range : 0;
  const rails = order.map((node, index): Rail => {
    const ends = links.filter((link) => link.from === node || link.to === node).map((link) => place.get(link.id)!);
    const change = trueLevels.get(node)! - levels.get(node)!;
    const ghost = input.loaded && input.truth ? y[index]! - change * pixelsPerVolt : y[index]!;
    return {
      node,
      x1: Math.min(...ends) - overhang,
      x2: Math.max(...ends) + overhang,
      y: y[index]!,
      ghostY: Math.abs(ghost - y[index]!) >= 0.5 ? ghost : null,
    };
  });

  const parts = network.elements.map((element) =>
    drawPart(element, input, rails, rank, lifted, place.get(element.id)!),
  );
  const lowest = Math.max(...y, ...parts.map((part) => part.yBottom));
  const widest = Math.max(
    ...rails.map((rail) => rail.x2),
    ...parts.map((part) => part.label.x + labelWidth(part.element, input)),
  );
  const meterEdge = voltmeters.map((m) => place.get(meterKey(m.id))! + meterWidth(m.id, input));
  return {
    width: Math.max(widest, ...meterEdge) + margin.right,
    height: lowest + margin.bottom,
    rails,
    parts,
    voltmeters: voltmeters.map((meter): VoltmeterMark => {
      const red = rails[rank.get(meter.red)!]!;
      const black = rails[rank.get(meter.black)!]!;
      const middle = red === black ? red.y + 52 : (red.y + black.y) / 2;
      return {
        id: meter.id,
        x: place.get(meterKey(meter.id))!,
        yRed: red.y,
        yBlack: black.y,
        y: middle,
        ghostRed: red.ghostY,
      };
    }),
    ammeters: breaks.map((b): AmmeterMark => {
      const xs = b.ends.map((end) => place.get(parseEnd(end)!.element)!);
      const yRail = rails[rank.get(b.meter.node)!]!.y;
      return {
        id: b.meter.id,
        x: Math.min(...xs),
        yRail,
        yTie: yRail + b.direction * tieDistance,
        tie: { x1: Math.min(...xs) - 10, x2: Math.max(...xs) + 10 },
        reversed: b.meter.reversed ?? false,
      };
    }),
    axis: toScale ? potentialAxis(drawnLevels, y, heights.scale) : null,
  };
}

/** An element or a voltmeter as what joins two rails. */
interface Link {
  readonly id: string;
  readonly from: string;
  readonly to: string;
}

interface Break {
  readonly meter: AmmeterPlacement;
  readonly ends: readonly string[];
  /** 1: the tie hangs below its rail, −1: above. */
  readonly direction: 1 | -1;
}

/** The tie of a break stands on the side of its rail to which most of the lifted ends lead. */
function placeBreak(meter: AmmeterPlacement, network: Network, rank: ReadonlyMap<string, number>): Break {
  const here = rank.get(meter.node)!;
  let down = 0;
  const ends = meter.ends.filter((end) => {
    const parsed = parseEnd(end);
    const element = network.elements.find((e) => e.id === parsed?.element);
    if (!parsed || !element || element[parsed.end] !== meter.node) return false;
    const other = parsed.end === 'from' ? element.to : element.from;
    down += rank.get(other)! >= here ? 1 : -1;
    return true;
  });
  return { meter, ends, direction: down >= 0 ? 1 : -1 };
}

function drawPart(
  element: Element,
  input: DrawingInput,
  rails: readonly Rail[],
  rank: ReadonlyMap<string, number>,
  lifted: ReadonlyMap<string, Break>,
  x: number,
): Part {
  const rankFrom = rank.get(element.from)!;
  const rankTo = rank.get(element.to)!;
  const inverted = rankFrom > rankTo;
  const endHeight = (end: 'from' | 'to'): number => {
    const at = rails[end === 'from' ? rankFrom : rankTo]!.y;
    const tie = lifted.get(`${element.id}.${end}`);
    return tie ? at + tie.direction * tieDistance : at;
  };
  const heights = [endHeight('from'), endHeight('to')];
  const looped = rankFrom === rankTo;
  const yTop = Math.min(...heights);
  const yBottom = looped ? yTop + 84 : Math.max(...heights);
  const label = partLabel(element, input.network.values);
  const labelX = x + (looped ? 44 : 22);
  const width = labelWidth(element, input);
  const busy = rails.filter((rail) => rail.x1 - badge < labelX + width && rail.x2 > x).map((rail) => rail.y);
  const ySymbol = quietest(yTop, yBottom, busy);
  return {
    element,
    x,
    yTop,
    yBottom,
    ySymbol,
    inverted,
    looped,
    label: { ...label, x: labelX, width, live: input.live?.[element.id] ?? null },
  };
}

/** The middle of the largest stretch between two heights that nothing else lies in, if a symbol fits there. */
function quietest(yTop: number, yBottom: number, busy: readonly number[]): number {
  const inside = [yTop, ...busy.filter((y) => y > yTop + 1 && y < yBottom - 1).sort((a, b) => a - b), yBottom];
  let best = (yTop + yBottom) / 2;
  let most = leastStretch;
  for (let i = 1; i < inside.length; i += 1) {
    const gap = inside[i]! - inside[i - 1]!;
    if (gap > most + 0.5) {
      most = gap;
      best = (inside[i]! + inside[i - 1]!) / 2;
    }
  }
  return best;
}

/** x of every column: as close as the labels allow, spread where there is room. */
function columnPlaces(
  columns: readonly Column[],
  links: readonly Link[],
  input: DrawingInput,
  first: number,
): number[] {
  const starts = railStarts(columns, links);
  const byId = new Map(input.network.elements.map((element) => [element.id, element]));
  const widths = columns.map((column) =>
    Math.max(
      ...column.map((id) => {
        const element = byId.get(id);
        return element ? 22 + labelWidth(element, input) : meterWidth(id.slice(meterKey('').length), input);
      }),
    ),
  );
  const pitches = widths.map((width, index) => Math.max(96, width + 22 + (starts[index + 1] ? badge + overhang : 14)));
  const total =
    first + pitches.slice(0, -1).reduce((sum, pitch) => sum + pitch, 0) + (widths.at(-1) ?? 0) + margin.right;
  const spare = columns.length > 1 ? Math.min(70, Math.max(0, (input.width - total) / (columns.length - 1))) : 0;
  const places: number[] = [];
  columns.forEach((_, index) => places.push(index === 0 ? first : places[index - 1]! + pitches[index - 1]! + spare));
  return places;
}

/** For each column whether a rail begins there, with its letter to the left. */
function railStarts(columns: readonly Column[], links: readonly Link[]): boolean[] {
  const byId = new Map(links.map((link) => [link.id, link]));
  const begun = new Set<string>();
  return columns.map((column) => {
    const before = begun.size;
    for (const id of column) {
      const { from, to } = byId.get(id)!;
      begun.add(from).add(to);
    }
    return begun.size > before;
  });
}

function labelWidth(element: Element, input: DrawingInput): number {
  const { value, note } = partLabel(element, input.network.values);
  const head = textWidth(element.id, labelSize) + 6 + textWidth(value, labelSize, 'mono');
  const live = input.live?.[element.id];
  return Math.max(head, note ? textWidth(note, labelSize - 2) : 0, live ? textWidth(live, labelSize - 1, 'mono') : 0);
}

const meterWidth = (id: string, input: DrawingInput): number =>
  28 +
  Math.max(0, ...(input.meterLines?.[id] ?? []).map((line, index) => textWidth(line, index === 0 ? 18 : 13, 'mono')));

const meterKey = (id: string): string => `meter ${id}`;
