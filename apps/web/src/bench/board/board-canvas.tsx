import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type Announcements,
  type DragMoveEvent,
  type DragStartEvent,
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
import { useEffect, useMemo, useRef, useState } from 'react';
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
  const [drag, setDrag] = useState<BoardDrag | null>(null);
  const shown = useMemo(() => (drag ? afterDrop(board, drag.dragged, drag.hole) : board), [board, drag]);
  const picture = useMemo(() => boardPicture(network, shown), [network, shown]);
  const { rows, splitRails } = board;
  const ground = useMemo(() => groundMarks({ rows, ...(splitRails && { splitRails }) }), [rows, splitRails]);
  const scale = zoom.chosen ?? fittingScale(picture, room);
  const ref = useDrawingGestures(zoom, scale, sizeRef);
  const svg = useRef<HTMLDivElement>(null);
  const pressed = useRef<readonly [number, number]>([0, 0]);
  const { wireFrom, marked } = useBoardHand();
  useEffect(() => () => useBoardHand.setState({ wireFrom: null, marked: [] }), []);
  const rings = useMemo(() => ringMarks([...marked, ...(wireFrom === null ? [] : [wireFrom])]), [marked, wireFrom]);
  const holeUnder = (x: number, y: number): string | null => {
    const { left, top } = svg.current!.getBoundingClientRect();
    return holeAt(board, { x: (x - left) / scale, y: (y - top) / scale });
  };
  const dragging = useBoardDrag(board, scale, holeUnder, setDrag);
  return (
    <DndContext {...dragging}>
      <div className="relative flex min-h-0 min-w-0 grow flex-col max-sm:h-120 max-sm:shrink-0 max-sm:grow-0 max-sm:bg-sheet in-data-[whole=true]:max-sm:h-auto in-data-[whole=true]:max-sm:grow">
        {editable && <NotPlaced network={network} board={board} />}
        <div
          ref={ref}
          data-scale={scale}
          className="drawing relative min-h-0 min-w-0 grow touch-none overflow-auto [contain:layout_paint] max-sm:touch-pan-y in-data-[whole=true]:max-sm:touch-none"
        >
          <div
            ref={svg}
            className="mx-auto w-fit"
            {...(editable && {
              onPointerDown: ({ clientX, clientY }: React.PointerEvent) => (pressed.current = [clientX, clientY]),
              onClick: ({ clientX, clientY }: React.MouseEvent) => {
                // A press that moved the board is no click on a hole.
                const [x, y] = pressed.current;
                if (Math.hypot(clientX - x, clientY - y) < clickReach) wireAt(board, holeUnder(clientX, clientY));
              },
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

/** px that a click may move. */
const clickReach = 5;

/** Begins a wire at a free hole, or ends the one that is begun there. */
function wireAt(board: Board, hole: string | null): void {
  const { wireFrom } = useBoardHand.getState();
  const isFree = hole !== null && !usedHoles(board).includes(hole);
  if (wireFrom === null) return useBoardHand.setState({ wireFrom: isFree ? hole : null });
  useBoardHand.setState({ wireFrom: null });
  if (isFree && hole !== wireFrom) editBoard((now) => addWire(now, wireFrom, hole));
}

const directions = { ArrowLeft: 'left', ArrowRight: 'right', ArrowUp: 'up', ArrowDown: 'down' } as const;

/** A dragged thing, and the hole that it is above; null beside the board. */
interface BoardDrag {
  readonly dragged: Dragged;
  readonly hole: string | null;
}

/** Dragging by pointer and by keys: what is dragged goes from hole to hole, and is drawn there at once. */
function useBoardDrag(
  board: Board,
  scale: number,
  holeUnder: (x: number, y: number) => string | null,
  onDrag: (drag: BoardDrag | null) => void,
) {
  const now = useRef<BoardDrag | null>(null);
  const show = (drag: BoardDrag | null): void => {
    now.current = drag;
    onDrag(drag);
  };
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, {
      // By keys the hole is what counts: the coordinates follow what is drawn there.
      coordinateGetter: (event, { currentCoordinates }) => {
        const direction = directions[event.code as keyof typeof directions];
        const hole = now.current?.hole;
        if (!direction || !now.current || hole == null) return undefined;
        event.preventDefault();
        const to = holeBeside(board, hole, direction);
        show({ ...now.current, hole: to });
        const [a, b] = [holePoint(hole), holePoint(to)];
        return { x: currentCoordinates.x + (b.x - a.x) * scale, y: currentCoordinates.y + (b.y - a.y) * scale };
      },
    }),
  );
  return {
    sensors,
    autoScroll: false,
    accessibility: { announcements, screenReaderInstructions },
    onDragStart: ({ active }: DragStartEvent): void => {
      const dragged = active.data.current as Dragged;
      now.current = { dragged, hole: dragged.hole };
      useBoardHand.setState({ wireFrom: null, marked: [] });
    },
    onDragMove: ({ activatorEvent, delta }: DragMoveEvent): void => {
      if (!(activatorEvent instanceof PointerEvent) || !now.current) return;
      const hole = holeUnder(activatorEvent.clientX + delta.x, activatorEvent.clientY + delta.y);
      if (hole !== now.current.hole) show({ ...now.current, hole });
    },
    onDragEnd: (): void => {
      const last = now.current;
      show(null);
      if (last) editBoard((before) => afterDrop(before, last.dragged, last.hole));
    },
    onDragCancel: (): void => show(null),
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
