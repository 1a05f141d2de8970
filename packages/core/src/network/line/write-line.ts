import { networkKind } from '../by-kind.ts';
import { type Element, isSource } from '../element.ts';
import { isValueWord } from './line-part.ts';
import { nodesOf, referenceOf, type Network } from '../network.ts';
import { parseLine } from './parse-line.ts';
import { startingAt, strandsOf, type PlacedStrand, type Strand } from '../strands.ts';

/** Options of a written line. */
export interface WriteOptions {
  /** Leave out what is not needed to see the circuit: ratings, limits, measured values, what a part is for. */
  readonly brief?: boolean;
}

/**
 * Writes a network as one line that `parseLine` reads back as the same network: the first source, a colon, and what it
 * feeds by series and parallel; branches that are neither follow behind semicolons, between named points. Points are named
 * where they would not get their name by themselves.
 */
export function writeLine(network: Network, options: WriteOptions = {}): string {
  const brief = options.brief ?? false;
  const plain = compose(network, brief, false);
  const read = parseLine(plain);
  if (read.ok && sameNodes(read.value, network)) return withReference(plain, read.value, network);
  const named = compose(network, brief, true);
  const again = parseLine(named);
  return withReference(named, again.ok ? again.value : null, network);
}

function compose(network: Network, brief: boolean, named: boolean): string {
  const { elements } = network;
  const feed = elements.find((e) => isSource(e) && e.from !== e.to);
  const rest = elements.filter((element) => element !== feed);
  const write = (strand: Strand, inside: boolean): string => {
    switch (strand.kind) {
      case 'part':
        return `${strand.reversed ? '~' : ''}${writePart(strand.element, brief)}`;
      case 'series': {
        const text = strand.items
          .map((item, index) => (index === 0 ? '' : joint(strand.between[index - 1]!)) + write(item, true))
          .join('');
        return text;
      }
      case 'parallel': {
        const text = strand.items.map((item) => write(item, false)).join(' || ');
        return inside ? `(${text})` : text;
      }
    }
  };
  const joint = (node: string): string => (named ? ` @${node} ` : ' + ');

  if (!feed)
    return trailsOf(strandsOf(rest, new Set()))
      .map((trail) => branch(trail, write))
      .join('; ');
  const [top, bottom] = [feed.from, feed.to];
  const { chains, left } = pathsBetween(top, bottom, strandsOf(rest, new Set([top, bottom])));
  const begin = named ? `@${top} ` : '';
  const end = named ? ` @${bottom}` : '';
  const fed = chains.map((chain) => {
    const alone = chain.length === 1 && chain[0]!.strand.kind === 'parallel';
    return chain
      .map(({ strand, to }, index) => write(strand, !(alone && !named)) + (index < chain.length - 1 ? ` @${to} ` : ''))
      .join('');
  });
  const head =
    fed.length === 0
      ? `@${top} ${writePart(feed, brief)} @${bottom}`
      : `${writePart(feed, brief)}: ${begin}${fed[0]}${end}${fed
          .slice(1)
          .map((text) => ` || ${text}`)
          .join('')}`;
  return [head, ...trailsOf(left).map((trail) => branch(trail, write))].join('; ');
}

const branch = (trail: readonly PlacedStrand[], write: (strand: Strand, inside: boolean) => string): string =>
  `@${trail[0]!.from} ${trail.map(({ strand, to }) => `${write(strand, true)} @${to}`).join(' ')}`;

/** Strands one behind the other as far as they lead on, so that a branch is written in one go. */
function trailsOf(strands: readonly PlacedStrand[]): PlacedStrand[][] {
  const left = new Set(strands);
  const trails: PlacedStrand[][] = [];
  for (const first of strands) {
    if (!left.delete(first)) continue;
    const trail = [first];
    for (;;) {
      const { to } = trail.at(-1)!;
      const next = [...left].find((placed) => placed.from === to || placed.to === to);
      if (!next) break;
      left.delete(next);
      trail.push(startingAt(to, next));
    }
    trails.push(trail);
  }
  return trails;
}

/** Chains of strands from top to bottom, the shortest first, and the strands that are left over. */
function pathsBetween(
  top: string,
  bottom: string,
  strands: readonly PlacedStrand[],
): { readonly chains: PlacedStrand[][]; readonly left: PlacedStrand[] } {
  const left = new Set(strands);
  const chains: PlacedStrand[][] = [];
  for (;;) {
    const chain = shortestPath(top, bottom, left);
    if (!chain) return { chains, left: [...left] };
    chains.push(chain.map(({ placed }) => placed));
    for (const { origin } of chain) left.delete(origin);
  }
}

interface Step {
  readonly placed: PlacedStrand;
  readonly origin: PlacedStrand;
}

function shortestPath(top: string, bottom: string, strands: ReadonlySet<PlacedStrand>): Step[] | null {
  const reached = new Map<string, readonly Step[]>([[top, []]]);
  for (const [node, path] of reached) {
    if (node === bottom) return [...path];
    for (const origin of strands) {
      if (origin.from !== node && origin.to !== node) continue;
      const placed = startingAt(node, origin);
      if (!reached.has(placed.to)) reached.set(placed.to, [...path, { placed, origin }]);
    }
  }
  return null;
}

function writePart(element: Element, brief: boolean): string {
  const name = isValueWord(element.id) || reserved.has(element.id) ? `#${element.id}` : element.id;
  const label = brief || element.label === undefined ? [] : [`"${element.label.replace(/["\\]/g, '\\$&')}"`];
  return [name, ...valuesOf(element, brief), ...label].join(' ');
}

/** A part's values as `readValues` takes them, brief: `56k 1%`, `24V/1.8`. */
export const writeValues = (element: Element): string => valuesOf(element, true).join(' ');

/** Words that begin a statement of their own. */
const reserved = new Set(['against', 'measured']);

function valuesOf(element: Element, brief: boolean): readonly string[] {
  const { words, more } = networkKind(element.kind).write(element);
  return brief ? words : [...words, ...more];
}

/** Adds what the reader could not know: the node that potentials are against, and which values count. */
function withReference(line: string, read: Network | null, network: Network): string {
  const reference = referenceOf(network);
  const against =
    read && network.reference === undefined && referenceOf(read) === reference ? '' : `; against @${reference}`;
  return line + against + (network.values === 'measured' ? '; measured' : '');
}

function sameNodes(read: Network, network: Network): boolean {
  if (nodesOf(read).length !== nodesOf(network).length) return false;
  const byId = new Map(read.elements.map((element) => [element.id, element]));
  return network.elements.every(({ id, from, to }) => {
    const again = byId.get(id);
    return again?.from === from && again.to === to;
  });
}
