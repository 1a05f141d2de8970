import type { AmmeterPlacement } from '../../loading/index.ts';
import { parseEnd, type Network } from '../../network/index.ts';

/** px between a rail and the tie that lifted ends are joined to. */
export const tieDistance = 66;

/** A place where an ammeter has lifted ends off a rail. */
export interface Break {
  readonly meter: AmmeterPlacement;
  readonly ends: readonly string[];
  /** 1: the tie is below its rail, −1: above. */
  readonly direction: 1 | -1;
}

/** Places the tie of a break on the side of its rail to which most of the lifted ends lead. */
export function placeBreak(meter: AmmeterPlacement, network: Network, rank: ReadonlyMap<string, number>): Break {
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
