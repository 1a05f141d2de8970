import type { Element } from '../../network/index.ts';
import type { Break } from '../rails/break.ts';
import { tieDistance } from '../rails/break.ts';
import { labelGapOf, type Density } from '../density.ts';
import type { Label } from './part-label.ts';
import type { Part, Rail } from '../rails/rail-and-part.ts';
import { loopDepth, type Seat } from '../rails/stretches.ts';

/** Data that a part's place follows from. */
export interface PartPlace {
  readonly label: Label;
  readonly rails: readonly Rail[];
  readonly rank: ReadonlyMap<string, number>;
  readonly lifted: ReadonlyMap<string, Break>;
  readonly density: Density;
  readonly seat: Seat;
  readonly x: number;
}

/** A part as a line between its rails, with its symbol on its seat. */
export function drawPart(element: Element, { label, rails, rank, lifted, density, seat, x }: PartPlace): Part {
  const rankFrom = rank.get(element.from)!;
  const rankTo = rank.get(element.to)!;
  const endHeight = (end: 'from' | 'to'): number => {
    const at = rails[end === 'from' ? rankFrom : rankTo]!.y;
    const tie = lifted.get(`${element.id}.${end}`);
    return tie ? at + tie.direction * tieDistance : at;
  };
  const heights = [endHeight('from'), endHeight('to')];
  const looped = rankFrom === rankTo;
  const yTop = Math.min(...heights);
  const yBottom = looped ? yTop + loopDepth : Math.max(...heights);
  const seatTop = Math.max(rails[seat.top]!.y, yTop);
  const seatBottom = looped ? yBottom : Math.min(rails[seat.bottom]!.y, yBottom);
  return {
    element,
    x,
    yTop,
    yBottom,
    ySymbol: (seatTop + seatBottom) / 2,
    inverted: rankFrom > rankTo,
    looped,
    hops: seat.passed.map((passed) => rails[passed]!.y).filter((at) => at > yTop && at < yBottom),
    symbolScale: density.symbolScale,
    label: {
      x: x + (looped ? 22 : 0) + labelGapOf(element, density),
      size: density.labelSize,
      ...label,
    },
  };
}
