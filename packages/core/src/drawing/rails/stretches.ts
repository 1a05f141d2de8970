import { passedRails, type Reach, type Span } from './link.ts';
import type { Room } from './rail-heights.ts';

/** Place of a link's symbol on its line: between two ranks with no rail passing, and the room that it needs there. */
export interface Seat extends Room {
  readonly id: string;
  /** Ranks of the rails that the line hops over. */
  readonly passed: readonly number[];
}

/** A part or meter in its column. */
export interface Seated {
  readonly id: string;
  readonly column: number;
  readonly span: Span;
  /** px that the symbol and its label need. */
  readonly height: number;
  /** px more at the upper or lower end, where it is lifted off its rail. */
  readonly atTop: number;
  readonly atBottom: number;
}

/**
 * A seat for every link. Links between neighbouring rails have no choice; the others take a stretch that has its room
 * already, so that the drawing grows no higher than it must.
 */
export function takeSeats(links: readonly Seated[], reach: Reach): Seat[] {
  const roomy: number[] = [];
  const seats = new Map<string, Seat>();
  const seat = ({ id, column, span, height, atTop, atBottom }: Seated): void => {
    const passed = passedRails(span, column, reach);
    const stops = [span.top, ...passed, span.bottom];
    const needed = (k: number): number => height + (k === 0 ? atTop : 0) + (k === stops.length - 2 ? atBottom : 0);
    let best = 0;
    let least = Infinity;
    const middle = (stops.length - 2) / 2;
    for (let k = 0; k < stops.length - 1; k += 1) {
      let there = 0;
      for (let rank = stops[k]!; rank < stops[k + 1]!; rank += 1) there += roomy[rank] ?? 0;
      const missing = Math.max(0, needed(k) - there) + Math.abs(k - middle);
      if (missing < least) {
        least = missing;
        best = k;
      }
    }
    const [top, bottom] = [stops[best]!, stops[best + 1]!];
    // The whole room is booked on its lowest gap: a fair guess of what the heights will be.
    const booked = bottom - 1;
    roomy[booked] = Math.max(roomy[booked] ?? 0, needed(best));
    seats.set(id, { id, top, bottom, height: needed(best), passed });
  };
  const byLength = [...links].sort((a, b) => a.span.bottom - a.span.top - (b.span.bottom - b.span.top));
  for (const link of byLength) seat(link);
  return links.map(({ id }) => seats.get(id)!);
}

/** Depth of a part with both ends on one rail below it, px. */
export const loopDepth = 84;

/** The room of a seat; a loop on one rail keeps the next rail below it away. */
export const roomBelow = (seat: Room, rails: number): Room =>
  seat.top !== seat.bottom
    ? seat
    : { top: seat.top, bottom: Math.min(seat.top + 1, rails - 1), height: loopDepth + 10 };

const letterHeight = 27;

/** Returns the room between rails that begin in the same column, so that their letters do not overlap. */
export function letterRooms({ left }: Reach): Room[] {
  const last = new Map<number, number>();
  const rooms: Room[] = [];
  left.forEach((column, rail) => {
    const above = last.get(column);
    if (above !== undefined) rooms.push({ top: above, bottom: rail, height: letterHeight });
    last.set(column, rail);
  });
  return rooms;
}
