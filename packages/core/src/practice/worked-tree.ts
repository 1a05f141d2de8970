import { nodesOf, startingAt, strandsOf, type Element, type Network, type Strand } from '../network/index.ts';

/** Resistances in series and in parallel, as one reduces them on paper. */
export type Tree = PartTree | GroupTree;

interface PartTree {
  readonly kind: 'part';
  readonly id: string;
  readonly resistance: number;
}

/** Parts in series or in parallel. */
export interface GroupTree {
  readonly kind: 'series' | 'parallel';
  readonly items: readonly Tree[];
}

/**
 * The resistors between two nodes as a tree.
 *
 * @returns null if they are not series and parallel between the two
 */
function treeBetween(elements: readonly Element[], from: string, to: string): Tree | null {
  const resistors = elements.filter(({ kind }) => kind === 'resistor');
  const [placed, ...others] = strandsOf(resistors, new Set([from, to])).filter((one) => one.from !== one.to);
  if (!placed || others.length > 0 || (placed.from !== from && placed.to !== from)) return null;
  const ends = [placed.from, placed.to];
  return ends.includes(from) && ends.includes(to) ? treeOf(startingAt(from, placed).strand) : null;
}

function treeOf(strand: Strand): Tree {
  if (strand.kind === 'part')
    return {
      kind: 'part',
      id: strand.element.id,
      resistance: strand.element.kind === 'resistor' ? strand.element.resistance : 0,
    };
  return { kind: strand.kind, items: strand.items.map(treeOf) };
}

/** Returns the tree that a network's one source feeds; null if there are several, it is not ideal, or it is not series and parallel. */
export function treeOfNetwork({ elements }: Network): { readonly tree: Tree; readonly emf: number } | null {
  const [source, another] = elements.filter(({ kind }) => kind === 'source');
  if (source?.kind !== 'source' || another || source.internalResistance) return null;
  const tree = treeBetween(elements, source.from, source.to);
  return tree && { tree, emf: source.emf };
}

/** Returns the tree between two nodes with every source a wire; null if it is not series and parallel. */
export function treeSeenFrom(network: Network, from: string, to: string): Tree | null {
  const source = network.elements.find(({ kind }) => kind === 'source');
  if (!source) return null;
  const joined = (node: string): string => (node === source.from ? source.to : node);
  const elements = network.elements.map((element) => ({
    ...element,
    from: joined(element.from),
    to: joined(element.to),
  }));
  const [one, other] = [joined(from), joined(to)];
  if (one === other || !nodesOf({ elements }).includes(one)) return null;
  return treeBetween(elements, one, other);
}

/** Every group of a tree, the innermost first. */
export const groupsOf = (tree: Tree): GroupTree[] =>
  tree.kind === 'part' ? [] : [...tree.items.flatMap(groupsOf), tree];
