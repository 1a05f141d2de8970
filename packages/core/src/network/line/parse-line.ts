import { fail, ok, type Result } from '../../result.ts';
import { networkKind } from '../by-kind.ts';
import { keepReference } from '../edits/edits.ts';
import type { Element } from '../element.ts';
import type { LinePart } from './line-part.ts';
import { differentNames, Points } from './line-points.ts';
import type { LineFault } from './line-token.ts';
import { readTree, type LinePoint, type LineTree } from './line-tree.ts';
import type { Network } from '../network.ts';
import { keepUnchanged } from '../edits/unchanged.ts';

/**
 * Reads a network from one line: `E1 24V/1R8: R1 56k + (R2 39k || R3 15k + R4 27k)`.
 *
 * The notation is described in docs/line-notation.md. Points without a name keep the one that the same ends have in
 * `known`, else they get the next free letter, the lower end of the first statement `0`. What the line does not say of a
 * part that `known` has (its rating, limit, measured value, what it is for) stays as it is there.
 *
 * @param known  the network that the line is an edit of; left out for a line on its own
 * @returns the network, or the first fault with its place in the line
 */
export function parseLine(line: string, known?: Network): Result<Network, LineFault> {
  const read = readLine(line, known);
  return read.ok ? ok(read.value.network) : read;
}

/** The same, with the places of its named parts. */
export function readLine(
  line: string,
  known?: Network,
): Result<{ readonly network: Network; readonly places: readonly PartPlace[] }, LineFault> {
  return built(line, known, known?.elements ?? []);
}

/**
 * Reads a new network that is built from given parts. A name without values means the part of that name. Points without a name get
 * the next free letters, regardless of the points that the parts were joined to before.
 *
 * @returns the network, or the first fault with its place in the line
 */
export function parseRebuilt(line: string, parts: readonly Element[]): Result<Network, LineFault> {
  const read = built(line, { elements: parts }, []);
  return read.ok ? ok(read.value.network) : read;
}

/** @param joined  parts whose ends keep the names of their points, and that keep their order */
function built(
  line: string,
  known: Network | undefined,
  joined: readonly Element[],
): Result<{ readonly network: Network; readonly places: readonly PartPlace[] }, LineFault> {
  const read = readTree(line, known?.elements ?? []);
  if ('message' in read) return fail(read);
  const parts = partsOf(read.statements);
  const ids = namesOf(parts);
  if (!Array.isArray(ids)) return fail(ids);
  const points = new Points(joined);
  const placed: Placed[] = [];
  let terminals: readonly [number, number] | null = null;
  for (const statement of read.statements) {
    const ends = [points.add(), points.add()] as const;
    const first = placed.length;
    const fault = place(statement, ends[0], ends[1], points, placed);
    if (fault) return fail(fault);
    if (terminals === null) terminals = ends;
    else for (const side of [0, 1] as const) if (!points.isNamed(ends[side])) points.join(ends[side], terminals[side]);
    // Named at once, so that a later branch can speak of a point by the letter that it got by itself.
    points.nameRest(
      placed.slice(first).map(({ top, bottom, reversed }, index) => ({
        id: ids[first + index]!,
        from: reversed ? bottom : top,
        to: reversed ? top : bottom,
      })),
      terminals[1],
    );
  }
  const names = (point: number): string => points.nameOf(point);
  const elements: Element[] = [];
  for (const [index, { part, top, bottom, reversed }] of placed.entries()) {
    const [from, to] = reversed ? [bottom, top] : [top, bottom];
    const own = known?.elements.find((element) => element.id === ids[index] && element.kind === part.kind);
    const element = elementOf(part, ids[index]!, names(from), names(to), own);
    if (typeof element === 'string') return fail({ message: element, at: part.at, length: part.length });
    elements.push(element);
  }
  const { reference } = read;
  if (reference && !elements.some(({ from, to }) => from === reference.name || to === reference.name))
    return fail({ message: `No part ends on ${reference.name}.`, at: reference.at, length: reference.length });
  const network: Network = {
    ...(known?.reference !== undefined && { reference: known.reference }),
    ...(reference && { reference: reference.name }),
    ...(read.measured ? { values: 'measured' as const } : known?.values && { values: known.values }),
    elements: joined.length > 0 ? inKnownOrder(elements, joined) : elements,
  };
  const kept = keepReference(network);
  return ok({ network: known ? keepUnchanged(kept, known) : kept, places: placesIn(line, parts) });
}

/** Position of a part in a line. */
export interface PartPlace {
  readonly id: string;
  readonly at: number;
  /** Characters up to the next part or mark. */
  readonly length: number;
}

/** The places of the named parts in a line that can be read; none if it cannot. */
export function partPlaces(line: string, known: readonly Element[] = []): readonly PartPlace[] {
  const read = readTree(line, known);
  return 'message' in read ? [] : placesIn(line, partsOf(read.statements));
}

const placesIn = (line: string, parts: readonly LinePart[]): PartPlace[] =>
  parts.flatMap(({ id, at }) => {
    if (id === null) return [];
    partEnd.lastIndex = at;
    return [{ id, at, length: partEnd.exec(line)![0].trimEnd().length }];
  });

/** Text of one part: up to the next part or mark. */
const partEnd = /[^+|();:@~]*/y;

interface Placed {
  readonly part: LinePart;
  readonly reversed: boolean;
  readonly top: number;
  readonly bottom: number;
}

/** The parts of statements in the order of the line, in which they are placed too. */
function partsOf(statements: readonly LineTree[]): LinePart[] {
  const parts: LinePart[] = [];
  const visit = (tree: LineTree | LinePoint): void => {
    if (tree.kind === 'part') parts.push(tree.part);
    else if (tree.kind === 'chain') tree.items.forEach(visit);
    else if (tree.kind === 'side-by-side') tree.branches.forEach(visit);
  };
  statements.forEach(visit);
  return parts;
}

/** Puts a tree between two points. */
function place(tree: LineTree, top: number, bottom: number, points: Points, placed: Placed[]): LineFault | null {
  switch (tree.kind) {
    case 'part':
      placed.push({ part: tree.part, reversed: tree.reversed, top, bottom });
      return null;
    case 'side-by-side':
      for (const branch of tree.branches) {
        const fault = place(branch, top, bottom, points, placed);
        if (fault) return fault;
      }
      return null;
    case 'chain': {
      let at = top;
      let waiting: LineTree | null = null;
      for (const item of tree.items) {
        if (item.kind === 'point') {
          const next = waiting ? points.add() : at;
          const fault = points.name(next, item) ?? (waiting && place(waiting, at, next, points, placed));
          if (fault) return fault;
          waiting = null;
          at = next;
          continue;
        }
        if (waiting) {
          const next = points.add();
          const fault = place(waiting, at, next, points, placed);
          if (fault) return fault;
          at = next;
        }
        waiting = item;
      }
      if (waiting) return place(waiting, at, bottom, points, placed);
      return points.join(at, bottom) ? null : differentNames(tree.items.at(-1) as LinePoint);
    }
  }
}

/** The name of every part, or the fault at the second of two with one name. */
function namesOf(parts: readonly LinePart[]): string[] | LineFault {
  const taken = new Set<string>();
  for (const part of parts) {
    if (part.id === null) continue;
    if (taken.has(part.id))
      return {
        message: `${part.id} already exists. Give this one another name.`,
        at: part.at,
        length: part.length,
      };
    taken.add(part.id);
  }
  return parts.map((part) => {
    if (part.id !== null) return part.id;
    let number = 1;
    const { letter } = networkKind(part.kind);
    while (taken.has(`${letter}${number}`)) number += 1;
    const id = `${letter}${number}`;
    taken.add(id);
    return id;
  });
}

/** Returns the part that a line describes, over what was known of it; the reason in words if something is missing. */
function elementOf(part: LinePart, id: string, from: string, to: string, own: Element | undefined): Element | string {
  const { ratedPower, ...given } = part.given as Record<string, unknown> & { ratedPower?: number };
  if (ratedPower !== undefined) {
    if ('ratedCurrent' in given) return 'A lamp or other load has amperes or watts, not both.';
    given.ratedCurrent = ratedPower / (given.ratedVoltage as number);
  }
  const kept = Object.keys(given).every((key) => key === 'label') ? own : keptOf(own);
  const element = { ...kept, id, kind: part.kind, from, to, ...given } as unknown as Element;
  const { needs } = networkKind(element.kind);
  return needs && !(needs.key in element) ? `${id} needs ${needs.hint}.` : element;
}

/** Returns the fields of a part that a line with its values leaves unchanged. */
function keptOf(own: Element | undefined): Partial<Element> {
  const known = (own ?? {}) as Record<string, unknown>;
  const left: Record<string, unknown> = {};
  for (const key of leftAlone) if (key in known) left[key] = known[key];
  return left;
}

const leftAlone = ['label', 'powerRating', 'measuredResistance', 'currentLimit', 'compliance', 'polarised'];

/** Parts that were there before keep their places; a new one comes behind the one that it follows in the line. */
function inKnownOrder(elements: readonly Element[], known: readonly Element[]): Element[] {
  const rank = new Map(known.map(({ id }, index) => [id, index]));
  const ordered = elements.filter(({ id }) => rank.has(id)).sort((a, b) => rank.get(a.id)! - rank.get(b.id)!);
  elements.forEach((element, index) => {
    if (rank.has(element.id)) return;
    const before = elements[index - 1];
    ordered.splice(before ? ordered.findIndex(({ id }) => id === before.id) + 1 : 0, 0, element);
  });
  return ordered;
}
