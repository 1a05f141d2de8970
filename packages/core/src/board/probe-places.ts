import type { Network } from '../network/index.ts';
import type { Board } from './board.ts';
import { carriedNodes } from './carried-nodes.ts';
import { legWords } from './differences/words.ts';
import { railOf, stripWords, type Strip } from './holes.ts';
import { matchNodes, type BoardPin } from './match-nodes.ts';

/** Returns the strip to probe a node at: a row before a rail, the first that was used first; null if none carries it. */
export function probeStrip(network: Network, board: Board, node: string): Strip | null {
  const strips = carriedNodes(network, board).stripsOf.get(node) ?? [];
  return strips.find((strip) => railOf(strip) === null) ?? strips[0] ?? null;
}

/** Returns where a probe at a node goes, such as `row 12 right`; null if no strip carries the node. */
export function probePlace(network: Network, board: Board, node: string): string | null {
  const strip = probeStrip(network, board, node);
  return strip === null ? null : stripWords(strip);
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
