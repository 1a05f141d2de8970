import type { SheetCircuit, SheetPart } from './sheet-circuit.ts';

/** A term of a sum: a part's value with the sign that it enters with. */
export interface SheetTerm {
  readonly of: string;
  readonly sign: 1 | -1;
}

/**
 * A part's voltage as the sum of known ones along the shortest way between its ends.
 *
 * @returns null if no such way joins its ends
 */
export function voltageByLoop(
  { parts }: SheetCircuit,
  part: SheetPart,
  isKnown: (id: string) => boolean,
): readonly SheetTerm[] | null {
  const before = new Map<string, { readonly node: string; readonly term: SheetTerm } | null>([[part.from, null]]);
  const queue = [part.from];
  for (const node of queue) {
    if (node === part.to) break;
    for (const { id, from, to } of parts) {
      if (id === part.id || !isKnown(id)) continue;
      const far = from === node ? to : to === node ? from : null;
      if (far === null || before.has(far)) continue;
      before.set(far, { node, term: { of: id, sign: from === node ? 1 : -1 } });
      queue.push(far);
    }
  }
  if (!before.has(part.to)) return null;
  const terms: SheetTerm[] = [];
  for (let at = before.get(part.to); at; at = before.get(at.node)) terms.unshift(at.term);
  return terms;
}

/**
 * A part's current as the sum of known ones over a cut: what the rest of one side of the circuit, joined to the other only by
 * this part and known ones, passes on.
 *
 * @returns null if an unknown current goes another way round; the side with the fewer terms where both will do
 */
export function currentByCut(
  { parts }: SheetCircuit,
  part: SheetPart,
  isKnown: (id: string) => boolean,
): readonly SheetTerm[] | null {
  const sideOf = (start: string): ReadonlySet<string> => {
    const side = new Set([start]);
    const queue = [start];
    for (const node of queue)
      for (const { id, from, to } of parts) {
        if (id === part.id || isKnown(id)) continue;
        const far = from === node ? to : to === node ? from : null;
        if (far === null || side.has(far)) continue;
        side.add(far);
        queue.push(far);
      }
    return side;
  };
  const [one, other] = [sideOf(part.from), sideOf(part.to)];
  if (one.has(part.to)) return null;
  /** Returns the currents of the known parts into a side, with from → to in the direction of their branch. */
  const into = (side: ReadonlySet<string>, sign: 1 | -1): SheetTerm[] =>
    parts.flatMap(({ id, from, to, isSource }): SheetTerm[] => {
      if (id === part.id || side.has(from) === side.has(to)) return [];
      // A source's current is counted out of `from`: the other way along its branch.
      const inward = side.has(to) !== isSource ? 1 : -1;
      const through = part.isSource ? -1 : 1;
      return [{ of: id, sign: (inward * sign * through) as 1 | -1 }];
    });
  // Out of the side of `from` through this part; into that of `to` through it.
  const [leaving, arriving] = [into(one, 1), into(other, -1)];
  return arriving.length < leaving.length ? arriving : leaving;
}
