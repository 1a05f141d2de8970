import type { Network } from '../network/index.ts';
import type { Board } from './board.ts';
import { usedHoles } from './board-faults.ts';
import { carriedNodes } from './carried-nodes.ts';
import { legWords } from './differences/words.ts';
import { holesIn, railOf, stripWords, type Strip } from './holes.ts';
import { matchNodes, type BoardPin } from './match-nodes.ts';

/** Returns the strip to probe a node at: a row rather than a rail; null if none carries the node. */
function probeStrip(network: Network, board: Board, node: string): Strip | null {
  const strips = carriedNodes(network, board).stripsOf.get(node) ?? [];
  return strips.find((strip) => railOf(strip) === null) ?? strips[0] ?? null;
}

/** Returns where a probe at a node goes, such as `row 12 right`; null if no strip carries the node. */
export function probePlace(network: Network, board: Board, node: string): string | null {
  const strip = probeStrip(network, board, node);
  return strip === null ? null : stripWords(strip);
}

/** Returns the hole for a probe at a node, a free one of its strip if there is one; null if no strip carries the node. */
export function probeHole(network: Network, board: Board, node: string): string | null {
  const strip = probeStrip(network, board, node);
  if (strip === null) return null;
  const used = new Set(usedHoles(board));
  const holes = holesIn(board, strip);
  return holes.find((hole) => !used.has(hole)) ?? holes[0]!;
}

/** Returns the holes that ends of the network are in. */
export const legHoles = (network: Network, board: Board, ends: readonly string[]): string[] =>
  pinsOf(network, board, ends).flatMap(({ hole }) => hole ?? []);

/** Returns how a break is made on the board: which legs come out of which holes; null if one of them is in none. */
export function breakPlace(network: Network, board: Board, ends: readonly string[]): string | null {
  const pins = pinsOf(network, board, ends);
  if (pins.length < ends.length || pins.some(({ hole }) => hole === null)) return null;
  return pins.map(({ part, leg, hole }) => `${legWords(network, part, leg)} out of ${hole}`).join(', ');
}

const pinsOf = (network: Network, board: Board, ends: readonly string[]): BoardPin[] =>
  matchNodes(network, board).pins.filter(({ end }) => ends.includes(end));
