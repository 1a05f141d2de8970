import { removeWire } from '../board-edits.ts';
import { stripOf, stripWords } from '../holes.ts';
import { matchNodes, wrongPins } from '../match-nodes.ts';
import type { DifferenceKind } from './kind.ts';

/** A wire that joins two nodes. */
export interface WrongWire {
  readonly kind: 'wrong-wire';
  readonly from: string;
  readonly to: string;
  /** Its two strips in words. */
  readonly between: readonly [string, string];
  /** Nodes that it joins. */
  readonly nodes: readonly [string, string] | null;
}

/** A wire without which more ends are in the strips of their node. */
export const wrongWire: DifferenceKind<WrongWire> = {
  find: ({ network, board, wrong }) => {
    if (wrong.length === 0) return null;
    let best: { readonly wire: (typeof board.wires)[number]; readonly left: number } | null = null;
    for (const wire of board.wires) {
      const left = wrongPins(matchNodes(network, removeWire(board, wire.from))).length;
      if (left < (best?.left ?? wrong.length)) best = { wire, left };
    }
    if (!best) return null;
    const { from, to } = best.wire;
    const { nets, nodeOf } = matchNodes(network, removeWire(board, from));
    const [one, two] = [from, to].map((hole) => nodeOf.get(nets.of(stripOf(board, hole))));
    const between = [from, to].map((hole) => stripWords(stripOf(board, hole))) as [string, string];
    return {
      kind: 'wrong-wire',
      from,
      to,
      between,
      nodes: one !== undefined && two !== undefined ? [one, two] : null,
    };
  },
  sentence: ({ between: [one, two], nodes }) =>
    nodes
      ? `The wire from ${one} to ${two} joins node ${nodes[0]} to node ${nodes[1]}.`
      : `The wire from ${one} to ${two} is not in the drawing.`,
  holes: ({ from, to }) => [from, to],
  mending: ({ from, to }) => `Remove the wire ${from} to ${to}`,
  mend: ({ board }, { from, to }) =>
    board.wires.some((wire) => wire.from === from && wire.to === to) ? removeWire(board, from) : null,
};
