import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
  type DragMoveEvent,
} from '@dnd-kit/core';
import { addWire, usedHoles, type Board } from '@usual-drag/core/board';
import {
  boardPicture,
  groundMarks,
  holeAt,
  holeBeside,
  holePoint,
  ringMarks,
  type Mark,
} from '@usual-drag/core/drawing';
import type { Network } from '@usual-drag/core/network';
import { useCallback, useMemo, useRef, useState } from 'react';
import { fittingScale } from '../../drawing/fitting.ts';
import { useDrawingGestures } from '../../drawing/gestures.ts';
import { MarksView } from '../../drawing/marks-view.tsx';
import { Sheet, useSize } from '../../drawing/sheet.tsx';
import type { Zoom } from '../../drawing/zoom.ts';
import { BoardEnds } from './board-ends.tsx';
import { BoardBodies } from './board-bodies.tsx';
import { afterDrop, type Dragged } from './dragged.ts';
import { editBoard, useBoard, useBoardHand } from './board-now.ts';
import { NotPlaced } from './not-placed.tsx';

interface Props {
  readonly network: Network;
  readonly zoom: Zoom;
  /** Probes and lifted legs of the open step. */
  readonly probes?: readonly Mark[];
  /** Parts and wires can be moved. */
  readonly editable: boolean;
}

/** The strip board: rows in the colours of their nodes, and parts and wires that are dragged from hole to hole. */
export function BoardCanvas({ network, zoom, probes, editable }: Props) {
  const board = useBoard();
  const [sizeRef, room] = useSize();
  const [drag, setDrag] = useState<{ readonly dragged: Dragged; readonly hole: string | null } | null>(null);
  const shown = useMemo(() => (drag ? afterDrop(board, drag.dragged, drag.hole) : board), [board, drag]);
  const picture = useMemo(() => boardPicture(network, shown), [network, shown]);
  const { rows, splitRails } = board;
  const ground = useMemo(() => groundMarks({ rows, ...(splitRails && { splitRails }) }), [rows, splitRails]);
  const scale = zoom.chosen ?? fittingScale(picture, room);
  const scrollerRef = useDrawingGestures(zoom, scale);
  const ref = useCallback(
    (element: HTMLDivElement | null) => {
      scrollerRef.current = element;
      return sizeRef(element);
    },
    [sizeRef, scrollerRef],
  );
  const svg = useRef<HTMLDivElement>(null);
  const { wireFrom, marked } = useBoardHand();
  const rings = useMemo(() => ringMarks([...marked, ...(wireFrom === null ? [] : [wireFrom])]), [marked, wireFrom]);
  const holeUnder = (x: number, y: number): string | null => {
    const { left, top } = svg.current!.getBoundingClientRect();
    return holeAt(board, { x: (x - left) / scale, y: (y - top) / scale });
  };
  const dragging = useBoardDrag(board, scale, holeUnder, setDrag);
  const tray = editable && <NotPlaced network={network} board={shown} />;
  return (
    <DndContext {...dragging}>
      <div className="relative flex min-h-0 min-w-0 grow flex-col">
        {tray}
        <div
          ref={ref}
          data-scale={scale}
          className="drawing relative min-h-0 min-w-0 grow touch-none overflow-auto [contain:layout_paint]"
        >
          <div
            ref={svg}
            className="mx-auto w-fit"
            {...(editable && {
              onClick: (event: React.MouseEvent) => wireAt(board, holeUnder(event.clientX, event.clientY)),
            })}
          >
            <Sheet label="Strip board" width={picture.width} height={picture.height} scale={scale}>
              <MarksView marks={ground} />
              <MarksView marks={picture.carried} />
              <MarksView marks={picture.wires} />
              <MarksView marks={picture.badges} />
              <BoardBodies parts={picture.parts} board={board} editable={editable} />
              {editable && <BoardEnds ends={picture.ends} />}
              <g pointerEvents="none">
                <MarksView marks={rings} />
                {probes && <MarksView marks={probes} />}
              </g>
            </Sheet>
          </div>
        </div>
      </div>
    </DndContext>
  );
}

/** Begins a wire at a free hole, or ends the one that is begun there. */
function wireAt(board: Board, hole: string | null): void {
  const { wireFrom } = useBoardHand.getState();
  const isFree = hole !== null && !usedHoles(board).includes(hole);
  if (wireFrom === null) return useBoardHand.setState({ wireFrom: isFree ? hole : null });
  useBoardHand.setState({ wireFrom: null });
  if (isFree && hole !== wireFrom) editBoard((now) => addWire(now, wireFrom, hole));
}

const directions = { ArrowLeft: 'left', ArrowRight: 'right', ArrowUp: 'up', ArrowDown: 'down' } as const;

/** Dragging by pointer and by keys: what is dragged goes from hole to hole, and is drawn there at once. */
function useBoardDrag(
  board: Board,
  scale: number,
  holeUnder: (x: number, y: number) => string | null,
  onDrag: (drag: { readonly dragged: Dragged; readonly hole: string | null } | null) => void,
) {
  const target = useRef<string | null>(null);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, {
      coordinateGetter: (event, { currentCoordinates }) => {
        const direction = directions[event.code as keyof typeof directions];
        const from = target.current;
        if (!direction || from === null) return undefined;
        event.preventDefault();
        const to = holeBeside(board, from, direction);
        const [a, b] = [holePoint(from), holePoint(to)];
        return { x: currentCoordinates.x + (b.x - a.x) * scale, y: currentCoordinates.y + (b.y - a.y) * scale };
      },
    }),
  );
  const draggedOf = (event: { readonly active: DragMoveEvent['active'] }): Dragged =>
    event.active.data.current as Dragged;
  const holeOf = ({ active, activatorEvent, delta }: DragMoveEvent | DragEndEvent): string | null => {
    if (activatorEvent instanceof PointerEvent)
      return holeUnder(activatorEvent.clientX + delta.x, activatorEvent.clientY + delta.y);
    const { hole } = draggedOf({ active });
    if (hole === null) return null;
    const at = holePoint(hole);
    return holeAt(board, { x: at.x + delta.x / scale, y: at.y + delta.y / scale });
  };
  return {
    sensors,
    autoScroll: false,
    accessibility: { announcements, screenReaderInstructions },
    onDragStart: (event: { readonly active: DragMoveEvent['active'] }): void => {
      target.current = draggedOf(event).hole;
      useBoardHand.setState({ wireFrom: null, marked: [] });
    },
    onDragMove: (event: DragMoveEvent): void => {
      const hole = holeOf(event);
      target.current = hole ?? target.current;
      onDrag({ dragged: draggedOf(event), hole });
    },
    onDragEnd: (event: DragEndEvent): void => {
      const [dragged, hole] = [draggedOf(event), holeOf(event)];
      onDrag(null);
      editBoard((now) => afterDrop(now, dragged, hole));
    },
    onDragCancel: (): void => onDrag(null),
  };
}

const screenReaderInstructions = {
  draggable:
    'Press the space bar to pick it up, the arrow keys to move it from hole to hole, and the space bar again to put it down. Press Escape to leave it in its place.',
};

const nameOf = ({ active }: { readonly active: { readonly data: { readonly current?: unknown } } }): string =>
  (active.data.current as Dragged).name;

const announcements: Announcements = {
  onDragStart: (event) => `${nameOf(event)} picked up.`,
  onDragMove: () => undefined,
  onDragOver: () => undefined,
  onDragEnd: (event) => `${nameOf(event)} put down.`,
  onDragCancel: (event) => `${nameOf(event)} is in its place again.`,
};
