import type { Network } from '../network/index.ts';
import type { Board } from './board.ts';
import { carriedNodes } from './check-board.ts';
import { railOf, stripWords, type Strip } from './holes.ts';
import { legWords } from './differences/words.ts';
import { matchNodes } from './match-nodes.ts';

/** Returns the strip to probe a node at: a row before a rail, the uppermost first; null if none carries it. */
export function probeStrip(network: Network, board: Board, node: string): Strip | null {
  const strips = carriedNodes(network, board).stripsOf.get(node) ?? [];
  return strips.find((strip) => railOf(strip) === null) ?? strips[0] ?? null;
}

/** Returns where a probe at a node goes, such as `row 12 right`; null if no strip carries the node. */
export function probePlace(network: Network, board: Board, node: string): string | null {
  const strip = probeStrip(network, board, node);
  return strip === null ? null : stripWords(strip);
}

/** Returns how a break is made on the board: which legs come out of which holes; null if one of them is in none. */
export function breakPlace(network: Network, board: Board, ends: readonly string[]): string | null {
  const { pins } = matchNodes(network, board);
  const legs = ends.map((end) => pins.find((pin) => pin.end === end));
  if (legs.some((pin) => pin === undefined || pin.hole === null)) return null;
  return legs.map((pin) => `${legWords(network, pin!.part, pin!.leg)} out of ${pin!.hole}`).join(', ');
}
