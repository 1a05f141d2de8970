import type { Network } from '../network/index.ts';

/** Elements that hang under each other, from the top down, by id. */
export type Column = readonly string[];

/** An element as a vertical link between two ranks of the rails; rank 0 is the highest rail. */
interface VerticalLink {
  readonly id: string;
  readonly top: number;
  readonly bottom: number;
}

/**
 * The columns of a network and their order from the left.
 *
 * Elements in a chain share a column, the first source stands at the left, and the rest is ordered for the fewest
 * crossings, then the shortest rails, then the order of entry.
 *
 * @param rails  nodes from the highest to the lowest
 */
export function arrangeColumns(network: Network, rails: readonly string[]): Column[] {
  const links = verticalLinks(network.elements, rails);
  const columns = stack(network, links, rails.length);
  const feed = network.elements.find((e) => e.kind === 'source' || e.kind === 'current-source');
  const first = columns.findIndex((column) => column.includes(feed?.id ?? ''));
  const fixed = first > 0 ? [columns[first]!, ...columns.filter((_, index) => index !== first)] : columns;
  return orderColumns(fixed, links, first >= 0 ? 1 : 0);
}

/** The columns with one more for a meter across two rails, where it crosses least; at the right where it does not matter. */
export function addMeterColumn(
  columns: readonly Column[],
  links: readonly { readonly id: string; readonly from: string; readonly to: string }[],
  meter: string,
  rails: readonly string[],
): Column[] {
  const cost = costOf([...columns, [meter]], verticalLinks(links, rails));
  let best: Column[] = [];
  let least = Infinity;
  for (let place = columns.length; place >= 1; place -= 1) {
    const order = columns.map((_, index) => index);
    order.splice(place, 0, columns.length);
    const value = cost(order);
    if (value >= least) continue;
    least = value;
    best = [...columns.slice(0, place), [meter], ...columns.slice(place)];
  }
  return best;
}

function verticalLinks(
  links: readonly { readonly id: string; readonly from: string; readonly to: string }[],
  rails: readonly string[],
): Map<string, VerticalLink> {
  const rank = new Map(rails.map((node, index) => [node, index]));
  return new Map(
    links.map(({ id, from, to }) => {
      const [a, b] = [rank.get(from)!, rank.get(to)!];
      return [id, { id, top: Math.min(a, b), bottom: Math.max(a, b) }];
    }),
  );
}

/** Puts links into columns: at each rail a link that ends from above goes on in one that starts below. */
function stack(network: Network, links: ReadonlyMap<string, VerticalLink>, rails: number): Column[] {
  const below = new Map<string, string>();
  const feed = network.elements.find((e) => e.kind === 'source' || e.kind === 'current-source')?.id;
  for (let rail = 0; rail < rails; rail += 1) {
    const ending = [...links.values()].filter((link) => link.bottom === rail && link.top !== rail);
    const starting = [...links.values()].filter((link) => link.top === rail && link.bottom !== rail);
    const chained = ending.length === 1 && starting.length === 1;
    const free = (link: VerticalLink): boolean => chained || link.id !== feed;
    const uppers = ending.filter(free);
    const lowers = starting.filter(free);
    for (let i = 0; i < Math.min(uppers.length, lowers.length); i += 1) below.set(uppers[i]!.id, lowers[i]!.id);
  }
  const hanging = new Set(below.values());
  return network.elements
    .filter(({ id }) => !hanging.has(id))
    .map(({ id }) => {
      const column = [id];
      for (let next = below.get(id); next !== undefined; next = below.get(next)) column.push(next);
      return column;
    });
}

const mostToTryAll = 6;

function orderColumns(columns: readonly Column[], links: ReadonlyMap<string, VerticalLink>, fixed: number): Column[] {
  const cost = costOf(columns, links);
  const natural = columns.map((_, index) => index);
  const best = columns.length - fixed <= mostToTryAll ? tryAll(natural, fixed, cost) : improve(natural, fixed, cost);
  return best.map((index) => columns[index]!);
}

type Cost = (order: readonly number[]) => number;

function tryAll(natural: readonly number[], fixed: number, cost: Cost): number[] {
  let best = [...natural];
  let least = cost(best);
  const visit = (order: number[], rest: readonly number[]): void => {
    if (rest.length === 0) {
      const value = cost(order);
      if (value < least) {
        least = value;
        best = [...order];
      }
      return;
    }
    for (const next of rest)
      visit(
        [...order, next],
        rest.filter((other) => other !== next),
      );
  };
  visit(natural.slice(0, fixed), natural.slice(fixed));
  return best;
}

/** How far a column is moved at a time where there are many. */
const reach = 6;

/** Moves one column at a time to a better place near by until no move helps. */
function improve(natural: readonly number[], fixed: number, cost: Cost): number[] {
  let best = [...natural];
  let least = cost(best);
  for (let moved = true; moved;) {
    moved = false;
    for (let from = fixed; from < best.length; from += 1)
      for (let to = Math.max(fixed, from - reach); to <= Math.min(best.length - 1, from + reach); to += 1) {
        if (to === from) continue;
        const tried = [...best];
        tried.splice(to, 0, tried.splice(from, 1)[0]!);
        const value = cost(tried);
        if (value < least) {
          least = value;
          best = tried;
          moved = true;
        }
      }
  }
  return best;
}

/** Crossings weigh most, then the length of the rails. */
function costOf(columns: readonly Column[], links: ReadonlyMap<string, VerticalLink>): Cost {
  const stacks = columns.map((column) => column.map((id) => links.get(id)!));
  const rails = Math.max(0, ...[...links.values()].map((link) => link.bottom)) + 1;
  const left = new Int32Array(rails);
  const right = new Int32Array(rails);
  return (order) => {
    left.fill(order.length);
    right.fill(-1);
    order.forEach((column, place) => {
      for (const { top, bottom } of stacks[column]!)
        for (const rail of [top, bottom]) {
          if (place < left[rail]!) left[rail] = place;
          if (place > right[rail]!) right[rail] = place;
        }
    });
    let crossings = 0;
    order.forEach((column, place) => {
      for (const { top, bottom } of stacks[column]!)
        for (let rail = top + 1; rail < bottom; rail += 1)
          if (left[rail]! < place && place < right[rail]!) crossings += 1;
    });
    let length = 0;
    for (let rail = 0; rail < rails; rail += 1) if (right[rail]! >= 0) length += right[rail]! - left[rail]!;
    return crossings * 1000 + length;
  };
}
