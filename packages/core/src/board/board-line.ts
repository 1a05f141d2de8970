import { fail, ok, type Result } from '../result.ts';
import { nextElementId, type Network } from '../network/index.ts';
import type { Board } from './board.ts';
import { addWire, putPart, removeWire } from './board-edits.ts';
import { usedHoles } from './board-faults.ts';
import { holeName, parseHole } from './holes.ts';

/** Reason why a typed placement cannot be applied, and its remedy. */
export interface BoardLineFault {
  readonly message: string;
}

/** Words with which a wire is typed. */
const wireWords: readonly string[] = ['wire', 'w'];

/**
 * Applies typed placements to a board, separated by commas or line breaks: `R1 5a 9a` puts a part into two holes, `R1 5a -` only
 * its first leg, `R1 off` removes it; `wire 5L+ 5b` adds a wire, `wire 5b off` removes the one in that hole.
 */
export function applyBoardLine(network: Network, board: Board, text: string): Result<Board, BoardLineFault> {
  const lines = text.split(/[,;\n]/).filter((line) => line.trim() !== '');
  let now = board;
  for (const line of lines) {
    const next = applyOne(network, now, line.trim().split(/\s+/));
    if (!next.ok) return next;
    now = next.value;
  }
  return ok(now);
}

function applyOne(
  network: Network,
  board: Board,
  [name, first, second, ...rest]: readonly string[],
): Result<Board, BoardLineFault> {
  if (rest.length > 0 || name === undefined || first === undefined)
    return refuse(
      `Type a part and two holes, such as ${network.elements[0]?.id ?? nextElementId(network, 'resistor')} 5a 9a.`,
    );
  const isOff = first.toLowerCase() === 'off' && second === undefined;
  if (wireWords.includes(name.toLowerCase())) return applyWire(board, first, second);
  const part = network.elements.find(({ id }) => id.toLowerCase() === name.toLowerCase());
  if (!part)
    return refuse(`The circuit has no part ${name}. Its parts are ${network.elements.map(({ id }) => id).join(', ')}.`);
  if (isOff) return ok(putPart(board, { id: part.id }));
  if (second === undefined) return refuse(`Type the hole of the second leg of ${part.id} too, or - if it is in none.`);
  const before = putPart(board, { id: part.id });
  const [from, to] = [holeOrNone(first), holeOrNone(second)];
  const refused = refusal(before, [
    { text: first, hole: from },
    { text: second, hole: to },
  ]);
  if (refused !== null) return refuse(refused);
  return ok(putPart(board, { id: part.id, ...(from !== '-' && { from: from! }), ...(to !== '-' && { to: to! }) }));
}

function applyWire(board: Board, first: string, second: string | undefined): Result<Board, BoardLineFault> {
  if (second === undefined) return refuse('Type both holes of the wire, such as wire 5L+ 5b.');
  const from = readHole(first);
  if (second.toLowerCase() === 'off') {
    const isWired = board.wires.some((wire) => wire.from === from || wire.to === from);
    return from !== null && isWired ? ok(removeWire(board, from)) : refuse(`No wire is in hole ${first}.`);
  }
  const to = readHole(second);
  const refused = refusal(board, [
    { text: first, hole: from },
    { text: second, hole: to },
  ]);
  return refused === null ? ok(addWire(board, from!, to!)) : refuse(refused);
}

/** Reads a hole as people type it: `5A`, `5l+`, `L+5`; null if it is none. */
export function readHole(text: string): string | null {
  const clean = text.replace('−', '-');
  const column = /[a-j]|[lr][+-]/i.exec(clean)?.[0];
  const row = /\d+/.exec(clean)?.[0];
  if (column === undefined || row === undefined || column.length + row.length !== clean.length) return null;
  const hole = parseHole(`${row}${column.length === 1 ? column.toLowerCase() : column.toUpperCase()}`);
  return hole && holeName(hole);
}

const holeOrNone = (text: string): string | null => (text === '-' || text === '−' ? '-' : readHole(text));

function refusal(
  board: Board,
  holes: readonly { readonly text: string; readonly hole: string | null }[],
): string | null {
  const used = new Set(usedHoles(board));
  const seen = new Set<string>();
  for (const { text, hole } of holes) {
    if (hole === '-') continue;
    if (hole === null || parseHole(hole)!.row > board.rows)
      return `The board has no hole ${text}. Rows are 1 to ${board.rows}, columns a to j; rails are L+, L-, R+ and R-.`;
    if (used.has(hole) || seen.has(hole)) return `Hole ${hole} is taken. Use another hole of its row.`;
    seen.add(hole);
  }
  return null;
}

const refuse = (message: string): Result<Board, BoardLineFault> => fail({ message });
