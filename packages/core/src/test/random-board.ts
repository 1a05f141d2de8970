import fc from 'fast-check';
import { nodesOf, type Network } from '../network/index.ts';
import type { Board } from '../board/board.ts';
import { exchangeParts, putLeg, removeWire } from '../board/board-edits.ts';
import { usedHoles } from '../board/board-faults.ts';

const columns = [...'abcdefghij', 'L+', 'L-', 'R+', 'R-'];

/** Every hole of a board. */
const allHoles = (rows: number): string[] =>
  Array.from({ length: rows }, (_, k) => columns.map((column) => `${k + 1}${column}`)).flat();

/** Strip of a hole, written a second time so that a test does not depend on the first. */
function stripAt({ rows, splitRails }: Board, hole: string): string {
  const [, row, column] = /^(\d+)(.+)$/.exec(hole)!;
  if (column!.length === 2) return `${column}${splitRails && Number(row) > Math.floor(rows / 2) ? '*' : ''}`;
  return `${row}${column! < 'f' ? '<' : '>'}`;
}

/** The groups of strips by flooding from strip to strip. */
export function floodedNets(board: Board): (hole: string) => string {
  const net = new Map<string, string>();
  for (const hole of usedHoles(board)) {
    const start = stripAt(board, hole);
    if (net.has(start)) continue;
    const open = [start];
    for (let strip = open.pop(); strip !== undefined; strip = open.pop()) {
      if (net.has(strip)) continue;
      net.set(strip, start);
      for (const { from, to } of board.wires) {
        const [a, b] = [stripAt(board, from), stripAt(board, to)];
        if (a === strip) open.push(b);
        if (b === strip) open.push(a);
      }
    }
  }
  return (hole) => net.get(stripAt(board, hole))!;
}

/** Whether a board makes the drawn circuit: every way round of the parts that have none is tried. */
export function makesCircuit(network: Network, board: Board): boolean {
  const net = floodedNets(board);
  const loose = network.elements.map(({ id }) => {
    const part = board.parts.find((one) => one.id === id);
    const at = (leg: 'from' | 'to'): string => (part?.[leg] === undefined ? `${id} ${leg}` : net(part[leg]));
    return { isOn: part?.from !== undefined || part?.to !== undefined, from: at('from'), to: at('to') };
  });
  if (loose.some(({ isOn }) => !isOn)) return false;
  if (board.parts.some(({ id }) => !network.elements.some((one) => one.id === id))) return false;
  const eitherWay = network.elements.flatMap((element, index) =>
    element.kind === 'source' || element.kind === 'current-source' || (element.kind === 'load' && element.polarised)
      ? []
      : [index],
  );
  for (let ways = 0; ways < 2 ** eitherWay.length; ways += 1) {
    const turned = new Set(eitherWay.filter((_, bit) => (ways >> bit) & 1));
    const pins = network.elements.flatMap(({ from, to }, index) => {
      const at = loose[index]!;
      return turned.has(index) ? [`${from} ${at.to}`, `${to} ${at.from}`] : [`${from} ${at.from}`, `${to} ${at.to}`];
    });
    const pairs = [...new Set(pins)].map((pair) => /^(\S+) (.+)$/.exec(pair)!);
    const nodes = new Set(pairs.map(([, node]) => node));
    const nets = new Set(pairs.map(([, , one]) => one));
    if (pairs.length === nodes.size && pairs.length === nets.size) return true;
  }
  return false;
}

/** A board that makes a network: each node has rows or a rail of its own, joined by wires; parts any way round. */
export function rightBoard(network: Network, rows: number): fc.Arbitrary<Board> {
  return fc
    .record({
      order: fc.shuffledSubarray(
        Array.from({ length: 2 * rows }, (_, k) => k),
        { minLength: 2 * rows },
      ),
      split: fc.boolean(),
      turned: fc.array(fc.boolean(), { minLength: network.elements.length, maxLength: network.elements.length }),
      rails: fc.boolean(),
    })
    .map(({ order, split, turned, rails }): Board => {
      const free = order.map((k) =>
        [...'abcdefghij'.slice(k % 2 ? 5 : 0, k % 2 ? 10 : 5)].map((c) => `${(k >> 1) + 1}${c}`),
      );
      const wires: { from: string; to: string }[] = [];
      const holes = new Map<string, string[]>();
      if (rails)
        nodesOf(network)
          .slice(0, 2)
          .forEach((node, k) => holes.set(node, [`1${columns[10 + k]}`, `2${columns[10 + k]}`, `3${columns[10 + k]}`]));
      const holeFor = (node: string): string => {
        const own = holes.get(node) ?? free.pop()!;
        if (own.length === 1) {
          const more = free.pop()!;
          wires.push({ from: own[0]!, to: more[0]! });
          holes.set(node, more.slice(1));
        } else holes.set(node, own);
        return holes.get(node)!.pop()!;
      };
      const parts = network.elements.map((element, index) => {
        const [from, to] = [holeFor(element.from), holeFor(element.to)];
        const isEitherWay = ['resistor', 'switch', 'link'].includes(element.kind);
        return isEitherWay && turned[index] ? { id: element.id, from: to, to: from } : { id: element.id, from, to };
      });
      return { rows, parts, wires, ...(split && { splitRails: true as const }) };
    });
}

/** Changes of a board that a person makes by mistake. */
export const slip: fc.Arbitrary<(board: Board) => Board> = fc
  .tuple(fc.constantFrom('move', 'lift', 'exchange', 'unwire', 'wire', 'take'), fc.nat(), fc.nat(), fc.nat())
  .map(([kind, a, b, c]) => (board) => {
    const used = new Set(usedHoles(board));
    const free = allHoles(board.rows).filter((hole) => !used.has(hole));
    const part = board.parts[a % Math.max(1, board.parts.length)];
    const leg = c % 2 ? 'from' : 'to';
    if (kind === 'move' && part) return putLeg(board, part.id, leg, free[b % free.length]!);
    if (kind === 'lift' && part) return putLeg(board, part.id, leg, null);
    if (kind === 'take' && part) return { ...board, parts: board.parts.filter((one) => one !== part) };
    if (kind === 'exchange' && part) return exchangeParts(board, part.id, board.parts[b % board.parts.length]!.id);
    if (kind === 'unwire' && board.wires.length > 0)
      return removeWire(board, board.wires[a % board.wires.length]!.from);
    if (kind !== 'wire') return board;
    const [from, to] = [free[a % free.length]!, free[b % free.length]!];
    return from === to ? board : { ...board, wires: [...board.wires, { from, to }] };
  });
