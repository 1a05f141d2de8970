import type { Element } from './element.ts';

/** Parts in series and in parallel, read from one end to the other. */
export type Strand =
  | { readonly kind: 'part'; readonly element: Element; readonly reversed: boolean }
  | { readonly kind: 'series'; readonly items: readonly Strand[]; readonly between: readonly string[] }
  | { readonly kind: 'parallel'; readonly items: readonly Strand[] };

/** A strand and the nodes that it runs between. */
export interface PlacedStrand {
  readonly from: string;
  readonly to: string;
  readonly strand: Strand;
}

/**
 * Gathers elements into as few strands as series and parallel allow.
 *
 * @param kept  nodes that no chain may run through
 * @returns one strand between the kept nodes where the network is series–parallel between them, more if it is not
 */
export function strandsOf(elements: readonly Element[], kept: ReadonlySet<string>): PlacedStrand[] {
  let strands: PlacedStrand[] = elements.map((element) => ({
    from: element.from,
    to: element.to,
    strand: { kind: 'part', element, reversed: false },
  }));
  for (let before = Infinity; strands.length < before;) {
    before = strands.length;
    strands = joinInSeries(joinSideBySide(strands), kept);
  }
  return strands;
}

/** The same strand read from its other end. */
function turn(strand: Strand): Strand {
  switch (strand.kind) {
    case 'part':
      return { ...strand, reversed: !strand.reversed };
    case 'series':
      return { kind: 'series', items: strand.items.map(turn).reverse(), between: [...strand.between].reverse() };
    case 'parallel':
      return { kind: 'parallel', items: strand.items.map(turn) };
  }
}

/** A placed strand so that it begins at `node`. */
export const startingAt = (node: string, placed: PlacedStrand): PlacedStrand =>
  placed.from === node ? placed : { from: placed.to, to: placed.from, strand: turn(placed.strand) };

function joinSideBySide(strands: readonly PlacedStrand[]): PlacedStrand[] {
  const found = new Map<string, PlacedStrand>();
  for (const [index, placed] of strands.entries()) {
    const { from, to } = placed;
    // A loop on one node stays on its own: in parallel with another it would be read as between that one's ends.
    const key = from === to ? `${index}` : [from, to].sort().join(' ');
    const other = found.get(key);
    found.set(key, other ? sideBySide(other, startingAt(other.from, placed)) : placed);
  }
  return [...found.values()];
}

const sideBySide = (a: PlacedStrand, b: PlacedStrand): PlacedStrand => ({
  from: a.from,
  to: a.to,
  strand: {
    kind: 'parallel',
    items: [a, b].flatMap(({ strand }) => (strand.kind === 'parallel' ? strand.items : [strand])),
  },
});

function joinInSeries(strands: readonly PlacedStrand[], kept: ReadonlySet<string>): PlacedStrand[] {
  const at = new Map<string, PlacedStrand[]>();
  const note = (node: string, placed: PlacedStrand): void => void at.set(node, [...(at.get(node) ?? []), placed]);
  for (const placed of strands) {
    note(placed.from, placed);
    note(placed.to, placed);
  }
  const left = new Set(strands);
  for (const [node, there] of at) {
    const [one, other] = there;
    if (kept.has(node) || there.length !== 2 || one === other || !left.has(one!) || !left.has(other!)) continue;
    const chain = inSeries(startingAt(one!.from === node ? one!.to : one!.from, one!), startingAt(node, other!), node);
    left.delete(one!);
    left.delete(other!);
    left.add(chain);
    for (const end of [chain.from, chain.to])
      at.set(
        end,
        at.get(end)!.map((placed) => (placed === one || placed === other ? chain : placed)),
      );
  }
  return [...left];
}

const inSeries = (a: PlacedStrand, b: PlacedStrand, node: string): PlacedStrand => {
  const items = (s: Strand): readonly Strand[] => (s.kind === 'series' ? s.items : [s]);
  const between = (s: Strand): readonly string[] => (s.kind === 'series' ? s.between : []);
  return {
    from: a.from,
    to: b.to,
    strand: {
      kind: 'series',
      items: [...items(a.strand), ...items(b.strand)],
      between: [...between(a.strand), node, ...between(b.strand)],
    },
  };
};
