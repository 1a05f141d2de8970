import type { Meter, VoltmeterPlacement, AmmeterPlacement } from '../../loading/index.ts';
import { parseEnd, type Element, type Network, isSource } from '../../network/index.ts';
import type { NetworkValues } from '../../solver/index.ts';
import { potentialAxis, type Axis } from '../axis.ts';
import { placeBreak, tieDistance, type Break } from './break.ts';
import { columnPlaces, meterWidth, type Places } from './column-places.ts';
import { addMeterColumn, arrangeColumns } from './columns.ts';
import { densityFor, labelGapOf, letterBox, roomOf, type Density } from '../density.ts';
import { reachOf, spansOf, type Column, type Link } from './link.ts';
import { nodeLevels, railOrder, steadyRails } from './levels.ts';
import { drawPart } from '../symbols/part-geometry.ts';
import type { Part, Rail } from './rail-and-part.ts';
import { labelOf, type Label } from '../symbols/part-label.ts';
import { evenHeights, scaledHeights } from './rail-heights.ts';
import { letterRooms, roomBelow, takeSeats, type Seat } from './stretches.ts';

/** Network to draw, with its values and the meters in it. */
export interface DrawingInput {
  readonly network: Network;
  /** Solved with no meter; null if it has no solution. */
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
  /** Lines beside each meter. */
  readonly meterLines?: Readonly<Record<string, readonly string[]>>;
  /** Spacing; that for the number of parts if omitted. */
  readonly density?: Density;
  /** Arrangement of the drawing before an edit: whatever was not changed stays in its place. */
  readonly previous?: Arrangement;
}

/** Places: rails from the top down, columns from the left. */
export interface Arrangement {
  readonly rails: readonly string[];
  readonly columns: readonly Column[];
  /** Of the columns, the meters' among them. */
  readonly places: Places;
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
  /** For the next drawing's `previous`. */
  readonly arrangement: Arrangement;
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

const meterRoom = 100;

/**
 * Lays a network out as rails and columns, with the meters of a set-up in their places.
 *
 * Rails are at their potential with the meters in; the ghost of a rail is at its potential without them. Everything is a pure
 * function of its input, so the same network is always drawn the same way.
 */
export function drawRails(input: DrawingInput): RailDrawing {
  const { network, meters = [] } = input;
  const density = input.density ?? densityFor(network.elements.length);
  const trueLevels = nodeLevels(network, input.truth);
  const levels = input.loaded ? nodeLevels(network, input.loaded) : trueLevels;
  const toScale = input.spacing === 'scale' && input.truth !== null;
  const byLevel = railOrder(network, levels);
  const order = toScale || !input.previous ? byLevel : steadyRails(byLevel, input.previous.rails);
  const rank = new Map(order.map((node, index) => [node, index]));
  const voltmeters = meters.filter(
    (m): m is VoltmeterPlacement => m.quantity === 'dc-voltage' && rank.has(m.red) && rank.has(m.black),
  );
  const breaks = meters
    .filter((m): m is AmmeterPlacement => m.quantity === 'dc-current' && rank.has(m.node))
    .map((m) => placeBreak(m, network, rank));
  const lifted = new Map(breaks.flatMap((b) => b.ends.map((end) => [end, b] as const)));

  const links: Link[] = [...network.elements];
  const bare = arrangeColumns(network, order, input.previous?.columns);
  let columns: readonly Column[] = bare;
  for (const meter of voltmeters) {
    links.push({ id: meterKey(meter.id), from: meter.red, to: meter.black });
    columns = addMeterColumn(columns, links, meterKey(meter.id), order);
  }
  const elements = new Map(network.elements.map((element) => [element.id, element]));
  const seats = seatsOf(links, columns, order, elements, density, lifted);

  const drawnLevels = order.map((node) => levels.get(node)!);
  const reach = reachOf(columns, spansOf(links, order), order.length);
  const rooms = [...[...seats.values()].map((seat) => roomBelow(seat, order.length)), ...letterRooms(reach)];
  const heights = toScale
    ? scaledHeights(drawnLevels, rooms, input.height)
    : evenHeights(order.length, rooms, input.height);
  const y = heights.y.map((value) => value + margin.top);
  const { overhang } = density;
  const letters = new Map(order.map((node) => [node, letterBox(node, density).width]));
  const left = margin.left + (toScale ? margin.axis : 0) + overhang;
  const labels = new Map(
    network.elements.map((element) => [
      element.id,
      labelOf(element, network.values, density, input.live?.[element.id]),
    ]),
  );
  const widths = new Map([
    ...voltmeters.map(({ id }) => [meterKey(id), meterWidth(input.meterLines?.[id])] as const),
    ...network.elements.map((element) => [element.id, widthOf(element, labels.get(element.id)!, density)] as const),
  ]);
  const leftOf = new Map(links.map(({ id }) => [id, leftExtent(elements.get(id), density)]));
  const x = columnPlaces(columns, links, widths, {
    leftOf,
    left,
    width: input.width - margin.right,
    letters,
    density,
    former: input.previous?.places,
  });
  const place = new Map(columns.flatMap((column, index) => column.map((id) => [id, x[index]!] as const)));

  const range = drawnLevels[0]! - drawnLevels[drawnLevels.length - 1]!;
  const pixelsPerVolt = toScale ? heights.scale : range > 0 ? input.height / range : 0;
  const rails = order.map((node, index): Rail => {
    const change = trueLevels.get(node)! - levels.get(node)!;
    const ghost = input.loaded && input.truth ? y[index]! - change * pixelsPerVolt : y[index]!;
    return {
      node,
      x1: x[reach.left[index]!]! - overhang,
      x2: x[reach.right[index]!]! + overhang,
      y: y[index]!,
      ghostY: Math.abs(ghost - y[index]!) >= 0.5 ? ghost : null,
      letter: letterBox(node, density),
    };
  });
  const parts = network.elements.map((element) => {
    const { id } = element;
    const [label, seat, at] = [labels.get(id)!, seats.get(id)!, place.get(id)!];
    return drawPart(element, { label, rails, rank, lifted, density, seat, x: at });
  });
  const marks = voltmeters.map((meter): VoltmeterMark => {
    const red = rails[rank.get(meter.red)!]!;
    const black = rails[rank.get(meter.black)!]!;
    const { top, bottom } = seats.get(meterKey(meter.id))!;
    return {
      id: meter.id,
      x: place.get(meterKey(meter.id))!,
      yRed: red.y,
      yBlack: black.y,
      y: red === black ? red.y + 52 : (rails[top]!.y + rails[bottom]!.y) / 2,
      ghostRed: red.ghostY,
    };
  });
  const ammeters = breaks.map((b): AmmeterMark => {
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
  });
  return {
    arrangement: { rails: order, columns: bare, places: { width: input.width - margin.right, x: place } },
    width:
      Math.max(
        ...rails.map((rail) => rail.x2),
        ...parts.map(({ label }) => label.x + label.width),
        ...marks.map((mark) => mark.x + meterWidth(input.meterLines?.[mark.id])),
      ) + margin.right,
    height: Math.max(...y, ...parts.map((part) => part.yBottom), ...marks.map((mark) => mark.y + 20)) + margin.bottom,
    rails,
    parts,
    voltmeters: marks,
    ammeters,
    axis: toScale ? potentialAxis(drawnLevels, y, heights.scale) : null,
  };
}

/** Returns the place of every link's symbol on its line. */
function seatsOf(
  links: readonly Link[],
  columns: readonly Column[],
  order: readonly string[],
  elements: ReadonlyMap<string, Element>,
  density: Density,
  lifted: ReadonlyMap<string, Break>,
): Map<string, Seat> {
  const spans = spansOf(links, order);
  const columnOf = new Map(columns.flatMap((column, index) => column.map((id) => [id, index] as const)));
  const seated = links.map(({ id, from }) => {
    const element = elements.get(id);
    const span = spans.get(id)!;
    const fromTop = order[span.top] === from;
    const tie = (end: 'from' | 'to'): number => (lifted.has(`${id}.${end}`) ? tieDistance : 0);
    return {
      id,
      column: columnOf.get(id)!,
      span,
      height: element ? roomOf(element, density) : meterRoom,
      atTop: tie(fromTop ? 'from' : 'to'),
      atBottom: tie(fromTop ? 'to' : 'from'),
    };
  });
  return new Map(takeSeats(seated, reachOf(columns, spans, order.length)).map((seat) => [seat.id, seat]));
}

/** Widths grow in steps of px, so that a digit more does not move every column. */
const widthStep = 12;

/** Returns the distance from a part's line to the end of its texts, px. */
function widthOf(element: Element, label: Label, density: Density): number {
  const loop = element.from === element.to ? 22 : 0;
  return loop + labelGapOf(element, density) + Math.ceil(label.width / widthStep) * widthStep;
}

/** px from a part's line to the left end of its symbol, its sign included; from a meter's where there is no part. */
function leftExtent(element: Element | undefined, { symbolScale }: Density): number {
  if (!element) return 30;
  return (isSource(element) ? 28 : 18) * symbolScale;
}

const meterKey = (id: string): string => `meter ${id}`;
