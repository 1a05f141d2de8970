import type { Meter } from '../../loading/index.ts';
import { parseEnd, type Element } from '../../network/index.ts';
import { densityFor } from '../density.ts';
import type { Part, Rail } from './rail-and-part.ts';
import {
  drawingEdge,
  drawRails,
  type AmmeterMark,
  type DrawingInput,
  type RailDrawing,
  type VoltmeterMark,
} from './rail-drawing.ts';

interface Room {
  readonly width: number;
  readonly height: number;
}

/** Rails from which a drawing may be set in strips, and how many strips there may be. */
const fewestRails = 14;
const mostStrips = 16;

/** By how much larger strips must be shown than the whole for them to be worth it. */
const worth = 1.25;

/**
 * A tall drawing set in strips side by side, so that a long chain of parts can be read in its room.
 *
 * From the top down each strip has its share of the rails and begins with the rail that the one before ended on; what spans
 * more than a strip, as the source of a chain does, has a strip of its own in front. A rail that is in several strips is one
 * node. The rails of strips are evenly spaced.
 *
 * @param whole  the same network drawn as one
 * @param room   px that the drawing should fit
 * @returns `whole` where strips would not be shown larger, or if too much spans them
 */
export function setInStrips(whole: RailDrawing, input: DrawingInput, room: Room): RailDrawing {
  const { rails } = whole.arrangement;
  if (rails.length < fewestRails || fit(whole, room) >= 1) return whole;
  const rank = new Map(rails.map((node, index) => [node, index]));
  const draw = stripDrawer(input);
  const links = input.network.elements.filter((element) => spanOf(element, rank) === 1);
  // One from the middle has names of the usual length.
  const link = links[links.length >> 1];
  if (!link) return whole;
  const count = bestCount(rails.length, draw([link], []), room);
  const perStrip = Math.ceil((rails.length - 1) / count);
  const groups = stripsOf(input.network.elements, rank, perStrip);
  if (!groups) return whole;
  const metered = withMeters(groups, input.meters ?? []);
  if (!metered) return whole;
  const drawn = metered.map(({ elements, meters }) => draw(elements, meters));
  const strips = sideBySide(drawn, whole, input);
  return fit(strips, room) > worth * fit(whole, room) ? strips : whole;
}

const fit = ({ width, height }: Room, room: Room): number => Math.min(1, room.width / width, room.height / height);

const spanOf = ({ from, to }: Element, rank: ReadonlyMap<string, number>): number =>
  Math.abs(rank.get(from)! - rank.get(to)!);

function stripDrawer(input: DrawingInput) {
  const { previous: _whole, ...rest } = input;
  const density = densityFor(input.network.elements.length);
  return (elements: readonly Element[], meters: readonly Meter[]): RailDrawing =>
    drawRails({
      ...rest,
      network: { ...input.network, elements },
      meters,
      spacing: 'even',
      density,
      width: 0,
      height: 0,
    });
}

/**
 * Returns the number of strips that are shown largest, with one more for what spans several.
 *
 * @param link  one part between two rails, drawn alone
 */
function bestCount(rails: number, link: RailDrawing, room: Room): number {
  const size = (count: number): Room => ({
    width: (count + 1) * (link.width - overlap),
    height: Math.ceil((rails - 1) / count) * (link.height - drawingEdge) + drawingEdge,
  });
  let best = 1;
  for (let count = 2; count <= mostStrips; count += 1) if (fit(size(count), room) > fit(size(best), room)) best = count;
  return best;
}

/** The elements of each strip, those that span more than one first; null if these are many. */
function stripsOf(
  elements: readonly Element[],
  rank: ReadonlyMap<string, number>,
  perStrip: number,
): (readonly Element[])[] | null {
  const strips = new Map<number, Element[]>();
  for (const element of elements) {
    const top = Math.min(rank.get(element.from)!, rank.get(element.to)!);
    const strip = spanOf(element, rank) > perStrip ? -1 : Math.floor(top / perStrip);
    strips.set(strip, [...(strips.get(strip) ?? []), element]);
  }
  if ((strips.get(-1)?.length ?? 0) > Math.max(1, elements.length / 12)) return null;
  return [...strips].sort(([a], [b]) => a - b).map(([, group]) => group);
}

interface Strip {
  readonly elements: readonly Element[];
  readonly meters: Meter[];
}

/** Each meter in the first strip that has both its nodes, or all the ends that it lifts; null if none has. */
function withMeters(groups: readonly (readonly Element[])[], meters: readonly Meter[]): Strip[] | null {
  const strips = groups.map((elements): Strip => ({ elements, meters: [] }));
  for (const meter of meters) {
    const strip = strips.find(({ elements }) => {
      const has = (node: string): boolean => elements.some(({ from, to }) => from === node || to === node);
      return meter.quantity === 'dc-voltage'
        ? has(meter.red) && has(meter.black)
        : has(meter.node) && meter.ends.every((end) => elements.some(({ id }) => id === parseEnd(end)?.element));
    });
    if (!strip) return null;
    strip.meters.push(meter);
  }
  return strips;
}

/** px by which the margins of two strips lie over each other. */
const overlap = 20;

function sideBySide(drawn: readonly RailDrawing[], whole: RailDrawing, { network }: DrawingInput): RailDrawing {
  const rails: Rail[] = [];
  const parts: Part[] = [];
  const voltmeters: VoltmeterMark[] = [];
  const ammeters: AmmeterMark[] = [];
  let dx = 0;
  for (const strip of drawn) {
    const right = dx;
    rails.push(...strip.rails.map((rail) => ({ ...rail, x1: rail.x1 + right, x2: rail.x2 + right })));
    parts.push(
      ...strip.parts.map((part) => ({
        ...part,
        x: part.x + right,
        label: { ...part.label, x: part.label.x + right },
      })),
    );
    voltmeters.push(...strip.voltmeters.map((mark) => ({ ...mark, x: mark.x + right })));
    ammeters.push(
      ...strip.ammeters.map((mark) => ({
        ...mark,
        x: mark.x + right,
        tie: { x1: mark.tie.x1 + right, x2: mark.tie.x2 + right },
      })),
    );
    dx += strip.width - overlap;
  }
  const order = new Map(network.elements.map(({ id }, index) => [id, index]));
  return {
    arrangement: whole.arrangement,
    width: dx + overlap,
    height: Math.max(...drawn.map(({ height }) => height)),
    rails,
    parts: parts.sort((a, b) => order.get(a.element.id)! - order.get(b.element.id)!),
    voltmeters,
    ammeters,
    axis: null,
  };
}
