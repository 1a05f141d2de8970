import { type Network, isSource } from '../../network/index.ts';
import { columnCost, costOfCrossing, type Cost } from './column-cost.ts';
import { spansOf, type Column, type Link, type Span } from './link.ts';

/**
 * The columns of a network and their order from the left.
 *
 * Elements in a chain share a column, the first source is at the left, and the rest is ordered for the fewest
 * crossings, then the shortest rails, then the order of entry. Short columns that fit above each other share one.
 *
 * @param rails     nodes from the highest to the lowest
 * @param previous  the columns before an edit: what was not touched keeps its place unless that costs crossings
 */
export function arrangeColumns(network: Network, rails: readonly string[], previous: readonly Column[] = []): Column[] {
  const spans = spansOf(network.elements, rails);
  const cost = (columns: readonly Column[]): number => columnCost(columns, spans)(columns.map((_, index) => index));
  if (previous.length === 0) return freshColumns(network, spans, rails.length);
  const steady = steadyColumns(network, spans, rails.length, previous);
  const steadyCost = cost(steady);
  if (steadyCost < (extraCrossings + 1) * costOfCrossing) return steady;
  const fresh = freshColumns(network, spans, rails.length);
  return steadyCost <= cost(fresh) + extraCrossings * costOfCrossing ? steady : fresh;
}

/** Crossings that a steady drawing may have more than the best one. */
const extraCrossings = 2;

function freshColumns(network: Network, spans: ReadonlyMap<string, Span>, rails: number): Column[] {
  const { columns, fixed } = sourceFirst(network, stack(network, spans, rails, []));
  const cost = columnCost(columns, spans);
  const natural = columns.map((_, index) => index);
  const best = columns.length - fixed <= mostToTryAll ? tryAll(natural, fixed, cost) : improve(natural, fixed, cost);
  return share(
    best.map((index) => columns[index]!),
    spans,
    fixed,
  );
}

/** The columns as they were before an edit, what they shared included; new ones put in where they cost least. */
function steadyColumns(
  network: Network,
  spans: ReadonlyMap<string, Span>,
  rails: number,
  previous: readonly Column[],
): Column[] {
  const stacks = stack(network, spans, rails, previous);
  const placeOf = new Map(previous.flatMap((column, place) => column.map((id) => [id, place] as const)));
  const place = (column: Column): number | undefined =>
    column.map((id) => placeOf.get(id)).find((p) => p !== undefined);
  const grouped: Column[] = [];
  for (const column of stacks) {
    const there = grouped.findIndex((other) => place(other) !== undefined && place(other) === place(column));
    const above = there < 0 ? null : onTop(grouped[there]!, column, spans);
    if (above) grouped[there] = above;
    else grouped.push(column);
  }
  const { columns, fixed } = sourceFirst(network, grouped);
  const cost = columnCost(columns, spans);
  const known = columns.map((column, index) => ({ index, place: index < fixed ? -1 : place(column) }));
  const order = known
    .filter((column) => column.place !== undefined)
    .sort((a, b) => a.place! - b.place!)
    .map(({ index }) => index);
  for (const column of known) {
    if (column.place !== undefined) continue;
    let best = order.length;
    let least = Infinity;
    for (let at = order.length; at >= fixed; at -= 1) {
      const value = cost([...order.slice(0, at), column.index, ...order.slice(at)]);
      if (value >= least) continue;
      least = value;
      best = at;
    }
    order.splice(best, 0, column.index);
  }
  return order.map((index) => columns[index]!);
}

/** The first source's column in front, and how many columns that fixes. */
function sourceFirst(
  network: Network,
  columns: readonly Column[],
): { readonly columns: readonly Column[]; readonly fixed: number } {
  const feed = feedOf(network);
  const first = columns.findIndex((column) => column.includes(feed ?? ''));
  if (first < 0) return { columns, fixed: 0 };
  return { columns: [columns[first]!, ...columns.filter((_, index) => index !== first)], fixed: 1 };
}

/** The columns with one more for a meter across two rails, where it crosses least; at the right where it does not matter. */
export function addMeterColumn(
  columns: readonly Column[],
  links: readonly Link[],
  meter: string,
  rails: readonly string[],
): Column[] {
  const cost = columnCost([...columns, [meter]], spansOf(links, rails));
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

const feedOf = (network: Network): string | undefined => network.elements.find(isSource)?.id;

/** Puts links into columns: at each rail a link that ends from above continues in one that starts below. */
function stack(
  network: Network,
  spans: ReadonlyMap<string, Span>,
  rails: number,
  previous: readonly Column[],
): Column[] {
  const before = new Map(
    previous.flatMap((column) => column.slice(1).map((id, index) => [column[index]!, id] as const)),
  );
  const below = new Map<string, string>();
  const feed = feedOf(network);
  const endings: Span[][] = Array.from({ length: rails }, () => []);
  const startings: Span[][] = Array.from({ length: rails }, () => []);
  for (const span of spans.values()) {
    if (span.top === span.bottom) continue;
    endings[span.bottom]!.push(span);
    startings[span.top]!.push(span);
  }
  for (const [rail, ending] of endings.entries()) {
    const starting = startings[rail]!;
    const chained = ending.length === 1 && starting.length === 1;
    const free = (span: Span): boolean => chained || span.id !== feed;
    for (const upper of ending) {
      const lower = starting.find(({ id }) => id === before.get(upper.id));
      if (lower) below.set(upper.id, lower.id);
    }
    const taken = new Set(below.values());
    const uppers = ending.filter((span) => free(span) && !below.has(span.id));
    const lowers = starting.filter((span) => free(span) && !taken.has(span.id));
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

/** Columns that a column is moved by at a time in a large drawing, and the number of rounds. */
const reach = 8;
const mostRounds = 3;

/** Moves one column at a time to a better place near by until no move helps. */
function improve(natural: readonly number[], fixed: number, cost: Cost): number[] {
  const best = [...natural];
  let least = cost(best);
  for (let round = 0, moved = true; moved && round < mostRounds; round += 1) {
    moved = false;
    for (let from = fixed; from < best.length; from += 1) {
      let place = from;
      const low = Math.max(fixed, from - reach);
      const high = Math.min(best.length - 1, from + reach);
      let at = from;
      // The column is carried from one end of its reach to the other by swaps, and put down where it cost least.
      const carryTo = (to: number): void => {
        const step = to > at ? 1 : -1;
        for (; at !== to; at += step) [best[at], best[at + step]] = [best[at + step]!, best[at]!];
      };
      carryTo(low);
      for (let to = low; to <= high; to += 1) {
        carryTo(to);
        if (to === from) continue;
        const value = cost(best);
        if (value >= least) continue;
        least = value;
        place = to;
        moved = true;
      }
      carryTo(place);
    }
  }
  return best;
}

/** Columns whose links are wholly above each other share one place, if that lengthens and crosses nothing. */
function share(columns: readonly Column[], spans: ReadonlyMap<string, Span>, fixed: number): Column[] {
  let shared = [...columns];
  const whole = (list: readonly Column[]): number => columnCost(list, spans)(list.map((_, index) => index));
  let least = whole(shared);
  for (let later = fixed + 1; later < shared.length; later += 1) {
    for (let earlier = later - 1; earlier >= Math.max(fixed, later - reach); earlier -= 1) {
      const merged = onTop(shared[earlier]!, shared[later]!, spans);
      if (!merged) continue;
      const tried = shared.map((column, index) => (index === earlier ? merged : column)).filter((_, i) => i !== later);
      const value = whole(tried);
      if (value > least) continue;
      shared = tried;
      least = value;
      later -= 1;
      break;
    }
  }
  return shared;
}

/** Returns two columns as one, the upper first; null if they are not wholly above each other. */
function onTop(a: Column, b: Column, spans: ReadonlyMap<string, Span>): Column | null {
  const extent = (column: Column): readonly [number, number] => {
    const of = column.map((id) => spans.get(id)!);
    return [Math.min(...of.map((span) => span.top)), Math.max(...of.map((span) => span.bottom))];
  };
  const [topA, bottomA] = extent(a);
  const [topB, bottomB] = extent(b);
  if (topA === bottomA || topB === bottomB) return null;
  if (bottomA <= topB) return [...a, ...b];
  return bottomB <= topA ? [...b, ...a] : null;
}
