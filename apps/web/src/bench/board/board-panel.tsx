import { placeParts, usualRows, type Board } from '@usual-drag/core/board';
import { changeNetwork } from '@usual-drag/core/job';
import type { Network } from '@usual-drag/core/network';
import { Sparkles } from 'lucide-react';
import { Button } from '../../ui/button.tsx';
import { Choice } from '../../ui/choice.tsx';
import { Note } from '../../ui/note.tsx';
import { toast } from '../../ui/toast.ts';
import { Toggle } from '../../ui/toggle.tsx';
import { benchNow } from '../model/bench-store.ts';
import { sayUndoable } from '../model/say-undoable.ts';
import { BoardCheck } from './board-check.tsx';
import { BoardContents } from './board-contents.tsx';
import { editBoard, useBoard } from './board-now.ts';
import { PlacementEntry } from './placement-entry.tsx';

/** Panel beside the strip board: its size, typed positions, and its differences from the drawing. */
export function BoardPanel({ network }: { readonly network: Network }) {
  const board = useBoard();
  return (
    <div className="flex flex-col gap-3">
      <section aria-label="Board" className="flex flex-wrap items-center gap-x-3 gap-y-2">
        <Button tone={board.parts.length === 0 ? 'strong' : 'plain'} onClick={() => placeAll(network, board)}>
          <Sparkles aria-hidden size={16} /> Place automatically
        </Button>
        <Choice
          label="Rows of the board"
          beside="Rows"
          value={String(board.rows)}
          options={sizesFor(board).map((rows) => ({ value: String(rows), text: String(rows) }))}
          onChange={(rows) => resize(Number(rows))}
        />
        <Toggle
          label="Split rails"
          on={board.splitRails === true}
          onChange={(on) =>
            editBoard(({ splitRails: _former, ...rest }) => (on ? { ...rest, splitRails: true } : rest))
          }
        />
      </section>
      <Note kind="hazard">Build and change the board with the supply off and disconnected.</Note>
      <PlacementEntry network={network} />
      {board.parts.length > 0 && <BoardCheck network={network} board={board} onTakeOver={takeOver} />}
      <BoardContents board={board} />
    </div>
  );
}

const sizesFor = ({ rows }: Board): readonly number[] =>
  usualRows.includes(rows) ? usualRows : [...usualRows, rows].sort((a, b) => a - b);

/** Changes the number of rows, unless something is in a row that would go. */
function resize(rows: number): void {
  editBoard((board) => {
    const last = lastRowInUse(board);
    if (last <= rows) return { ...board, rows };
    toast.error(`Row ${last} is in use. Place the parts automatically, or move what is below row ${rows}.`);
    return board;
  });
}

const lastRowInUse = ({ parts, wires }: Board): number =>
  Math.max(0, ...[...parts, ...wires].flatMap(({ from, to }) => [from, to]).map((hole) => parseInt(hole ?? '0', 10)));

function placeAll(network: Network, board: Board): void {
  const placed = placeParts(network, board.rows, board.splitRails);
  if (!placed) return void toast.error('The circuit is too large for the largest board. Divide it between two boards.');
  const isReplaced = board.parts.length + board.wires.length > 0;
  editBoard(() => placed);
  if (isReplaced || placed.rows !== board.rows)
    sayUndoable(
      placed.rows === board.rows
        ? 'All parts placed again.'
        : `All parts placed; they need a board of ${placed.rows} rows.`,
    );
}

function takeOver(built: Network): void {
  const kept = new Set(built.elements.map(({ id }) => id));
  const removed = benchNow()
    .document.network.elements.map(({ id }) => id)
    .filter((id) => !kept.has(id));
  benchNow().edit((job) => changeNetwork(job, built));
  const lost = removed.length === 0 ? '' : ` Removed, because not on the board: ${removed.join(', ')}.`;
  sayUndoable(`The circuit now has the connections of the board.${lost}`);
}
