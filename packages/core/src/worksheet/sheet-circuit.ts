import { formOf, type Form, type LinearKnowledge } from './linear-knowledge.ts';
import { usualDirections } from './usual-directions.ts';
import type { Worksheet } from './worksheet.ts';

/** A worksheet's circuit in its unknowns: a potential for each node but one of every piece, a current round each independent loop. */
export interface SheetCircuit {
  readonly unknowns: number;
  /** Number of the unknowns that are potentials; they come first. */
  readonly potentials: number;
  readonly parts: readonly SheetPart[];
  readonly at: ReadonlyMap<string, SheetPart>;
  readonly directions: ReadonlyMap<string, 1 | -1> | null;
}

/** A part of a worksheet between its nodes. */
export interface SheetPart {
  readonly id: string;
  readonly isSource: boolean;
  readonly from: string;
  readonly to: string;
  /** V from → to. */
  readonly voltage: Form;
  /** A as a solved job signs it. */
  readonly current: Form;
}

/** Kirchhoff's laws hold by the choice of unknowns: nodes' potentials close every loop, loops' currents every node. */
export function sheetCircuit(sheet: Worksheet): SheetCircuit {
  const { elements } = sheet.network;
  const nodes = [...new Set(elements.flatMap(({ from, to }) => [from, to]))];
  const parent = new Map<string, { readonly element: number; readonly node: string } | null>();
  const tree = new Set<number>();
  for (const start of nodes) {
    if (parent.has(start)) continue;
    parent.set(start, null);
    const queue = [start];
    for (const node of queue)
      elements.forEach(({ from, to }, index) => {
        const far = from === node ? to : to === node ? from : null;
        if (far === null || parent.has(far)) return;
        parent.set(far, { element: index, node });
        tree.add(index);
        queue.push(far);
      });
  }
  const free = nodes.filter((node) => parent.get(node) !== null);
  const chords = elements.flatMap((_, index) => (tree.has(index) ? [] : [index]));
  const unknowns = free.length + chords.length;
  const currents = elements.map(() => new Array<number>(unknowns).fill(0));
  chords.forEach((chord, k) => {
    const unknown = free.length + k;
    const carry = (element: number, from: string, sign: 1 | -1): void => {
      currents[element]![unknown]! += elements[element]!.from === from ? sign : -sign;
    };
    const { from, to } = elements[chord]!;
    carry(chord, from, 1);
    if (from === to) return;
    // Back from the chord's end to its start: what both ways to the root share cancels.
    for (let at = to, up = parent.get(at); up; at = up.node, up = parent.get(at)) carry(up.element, at, 1);
    for (let at = from, up = parent.get(at); up; at = up.node, up = parent.get(at)) carry(up.element, at, -1);
  });
  const parts = elements.map(({ id, kind, from, to }, index): SheetPart => {
    const voltage = new Array<number>(unknowns).fill(0);
    const rise = (node: string, sign: 1 | -1): void => {
      const unknown = free.indexOf(node);
      if (unknown >= 0) voltage[unknown]! += sign;
    };
    rise(from, 1);
    rise(to, -1);
    const out = kind === 'source' ? -1 : 1;
    return {
      id,
      isSource: kind === 'source',
      from,
      to,
      voltage: formOf(voltage),
      current: formOf(currents[index]!.map((c) => c * out + 0)),
    };
  });
  const at = new Map(parts.map((part) => [part.id, part]));
  return { unknowns, potentials: free.length, parts, at, directions: usualDirections(sheet) };
}

/** A part's voltage and current by what is still free. */
export const formsOf = (knowledge: LinearKnowledge, { voltage, current }: SheetPart) => ({
  voltage: knowledge.reduce(voltage),
  current: knowledge.reduce(current),
});
