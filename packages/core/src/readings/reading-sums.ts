import { endsAt, parseEnd, type Network } from '../network/index.ts';
import { sumOf } from '../quantity/index.ts';
import { toleranceLimits } from '../uncertainty/index.ts';
import type { ComparedReading } from './compared-reading.ts';
import type { Expectation } from './expectation.ts';
import type { Conventions, CurrentReading, Reading, VoltageReading } from './reading.ts';

interface SumTerm {
  readonly reading: string;
  readonly sign: 1 | -1;
}

/** Readings that ought to add up to nothing, V round a loop or A into a node. */
export interface ReadingSum {
  readonly kind: 'loop' | 'node';
  readonly terms: readonly SumTerm[];
  /** Σ sign·value. */
  readonly sum: number;
  /** Σ sign·expected: what loading alone leaves. */
  readonly expected: number;
  /** √ΣU². */
  readonly uncertainty: number;
  readonly verdict: 'closes' | 'explained-by-loading' | 'does-not-close';
}

/** A reading with what was worked out for it. */
export interface CountedReading {
  readonly reading: Reading;
  readonly expectation: Expectation;
  readonly compared: ComparedReading;
}

/** The sums that readings make: every independent closed loop of voltages, every node whose ends have all been read. */
export function readingSums(
  network: Network,
  counted: readonly CountedReading[],
  conventions: Conventions,
): ReadingSum[] {
  const usable = counted.filter(({ compared }) => compared.value !== null && compared.expected !== null);
  const byId = new Map(usable.map((one) => [one.reading.id, one]));
  const readings = usable.map(({ reading }) => reading);
  return [
    ...loops(readings.filter((one) => one.quantity === 'dc-voltage').filter((one) => !one.unloaded)).map(
      (terms) => ['loop', terms] as const,
    ),
    ...nodes(
      network,
      readings.filter((one) => one.quantity === 'dc-current'),
    ).map((terms) => ['node', terms] as const),
  ].map(([kind, terms]) => readingSum(kind, terms, byId, conventions));
}

function readingSum(
  kind: ReadingSum['kind'],
  terms: readonly SumTerm[],
  byId: ReadonlyMap<string, CountedReading>,
  conventions: Conventions,
): ReadingSum {
  const of = terms.map(({ reading, sign }) => ({ ...byId.get(reading)!, sign }));
  const valueOf = ({ compared }: CountedReading): number => {
    const { value, expected } = compared;
    if (conventions.sign !== 'magnitude') return value!;
    return expected! < 0 ? -Math.abs(value!) : Math.abs(value!);
  };
  const sum = sumOf(of.map((term) => term.sign * valueOf(term)));
  const expected = sumOf(of.map((term) => term.sign * term.compared.expected!));
  const uncertainty = Math.hypot(...of.map(({ compared }) => compared.uncertainty ?? 0));
  const explained = (): boolean => {
    if (Math.abs(sum - expected) <= uncertainty) return true;
    const varied = of.filter(({ expectation }) => expectation.response !== null);
    const { low, high } = toleranceLimits(
      expected,
      varied.map(({ expectation }) => expectation.response!),
      varied.map(({ sign }) => sign),
    );
    return sum >= low - uncertainty && sum <= high + uncertainty;
  };
  const verdict = Math.abs(sum) <= uncertainty ? 'closes' : explained() ? 'explained-by-loading' : 'does-not-close';
  return { kind, terms, sum, expected, uncertainty, verdict };
}

/** One loop for each voltage reading that closes one: along a tree of the others. Of one pair of nodes the newest counts. */
function loops(readings: readonly VoltageReading[]): SumTerm[][] {
  const newest = new Map(readings.map((one) => [[one.red, one.black].sort().join(' '), one]));
  /** From a node to the readings of the tree that it is joined by. */
  const tree = new Map<string, VoltageReading[]>();
  const found: SumTerm[][] = [];
  for (const reading of newest.values()) {
    const { red, black } = reading;
    const path = pathBetween(tree, red, black);
    if (path) {
      found.push([{ reading: reading.id, sign: 1 }, ...path]);
      continue;
    }
    for (const node of [red, black]) tree.set(node, [...(tree.get(node) ?? []), reading]);
  }
  return found;
}

/** The readings on the way from black up to red, so that with them a drop from red to black closes; null if nothing joins them. */
function pathBetween(
  tree: ReadonlyMap<string, readonly VoltageReading[]>,
  red: string,
  black: string,
): SumTerm[] | null {
  const ways = new Map<string, SumTerm[]>([[black, []]]);
  for (const [node, way] of ways) {
    if (node === red) return way;
    for (const { id, red: up, black: down } of tree.get(node) ?? []) {
      const next = node === down ? up : down;
      // Stepping from − to + is a rise, against the drops that are counted.
      if (!ways.has(next)) ways.set(next, [...way, { reading: id, sign: node === down ? -1 : 1 }]);
    }
  }
  return null;
}

/** Each node whose ends are all covered exactly once by the newest readings there, or at the parts' far ends. */
function nodes(network: Network, readings: readonly CurrentReading[]): SumTerm[][] {
  const names = new Set(network.elements.flatMap(({ from, to }) => [from, to]));
  const byId = new Map(network.elements.map((element) => [element.id, element]));
  const other = (end: string): { readonly node: string; readonly end: string } => {
    const { element, end: side } = parseEnd(end)!;
    const far = side === 'from' ? 'to' : 'from';
    return { node: byId.get(element)![far], end: `${element}.${far}` };
  };
  const newest = [...readings].reverse();
  const sums = [...names].flatMap((node) => {
    const ends = endsAt(network, node);
    const terms = new Map<string, { readonly term: SumTerm; readonly covers: readonly string[] }>();
    for (const end of ends) {
      const here = newest.find((one) => one.node === node && one.ends.includes(end));
      const far = other(end);
      const there =
        here ??
        newest.find(
          (one) =>
            one.node === far.node && one.ends.includes(far.end) && one.ends.every((each) => other(each).node === node),
        );
      if (!there) return [];
      const into = (there.reversed ?? false) === (here !== undefined);
      const covers = here ? there.ends : there.ends.map((each) => other(each).end);
      terms.set(`${there.id} ${here !== undefined}`, { term: { reading: there.id, sign: into ? 1 : -1 }, covers });
    }
    const covered = [...terms.values()].flatMap(({ covers }) => covers);
    const once = covered.length === ends.length && new Set(covered).size === ends.length;
    return once ? [[...terms.values()].map(({ term }) => term)] : [];
  });
  return sums.filter((terms, index) => !sums.slice(0, index).some((earlier) => isReversed(earlier, terms)));
}

/** Returns whether one sum is the other with all signs reversed: with two nodes, the current sum of each is that of the other. */
const isReversed = (one: readonly SumTerm[], other: readonly SumTerm[]): boolean =>
  one.length === other.length &&
  one.every(({ reading, sign }) => other.some((term) => term.reading === reading && term.sign === -sign));
