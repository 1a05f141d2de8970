import { useDraggable } from '@dnd-kit/core';
import { mendBoard, type Board } from '@usual-drag/core/board';
import type { Network } from '@usual-drag/core/network';
import { partLabel } from '@usual-drag/core/drawing';
import { toast } from '../../ui/toast.ts';
import { editBoard, useBoardHand } from './board-now.ts';
import type { Dragged } from './dragged.ts';

/** Parts that are not on the board. Each is dragged to a hole, or pressed to be placed at its nodes. */
export function NotPlaced({ network, board }: { readonly network: Network; readonly board: Board }) {
  const wireFrom = useBoardHand((state) => state.wireFrom);
  const on = new Set(board.parts.map(({ id }) => id));
  const left = network.elements.filter(({ id }) => !on.has(id));
  return (
    <div
      className="flex min-h-11 shrink-0 flex-wrap items-center gap-1.5 border-b border-line bg-ground px-3 py-1 text-[14px] print:hidden"
      aria-label="Not on the board"
      role="group"
    >
      {wireFrom !== null ? (
        <span role="status">
          Wire from {wireFrom}: click the other hole. Click {wireFrom} again to cancel it.
        </span>
      ) : left.length === 0 ? (
        <span className="text-soft">Every part is on the board. Click two free holes to add a wire.</span>
      ) : (
        <>
          <span className="text-soft">Not on the board:</span>
          {left.map((element) => (
            <Chip key={element.id} id={element.id} value={partLabel(element).value} network={network} />
          ))}
        </>
      )}
    </div>
  );
}

interface ChipProps {
  readonly id: string;
  readonly value: string;
  readonly network: Network;
}

function Chip({ id, value, network }: ChipProps) {
  const data: Dragged = { kind: 'new-part', id, hole: null, name: id };
  const { listeners, setNodeRef, isDragging } = useDraggable({ id: `new ${id}`, data });
  return (
    <button
      ref={setNodeRef}
      type="button"
      title={`Drag ${id} to a hole, or press to place it at its nodes`}
      className="inline-flex min-h-8 cursor-grab touch-none items-center gap-1.5 rounded-lg border border-line bg-sheet px-2 hover:border-soft pointer-coarse:min-h-11"
      style={isDragging ? { opacity: 0.4 } : undefined}
      onPointerDown={listeners?.onPointerDown as React.PointerEventHandler | undefined}
      onClick={() =>
        editBoard((board) => {
          const placed = mendBoard(network, board, { kind: 'left-out', part: id });
          if (!placed) toast.error('The board is full. Choose a larger one.');
          return placed ?? board;
        })
      }
    >
      <b>{id}</b>
      <span className="figures">{value}</span>
    </button>
  );
}
