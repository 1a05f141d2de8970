import { useDraggable } from '@dnd-kit/core';
import type { Board } from '@usual-drag/core/board';
import type { PartOnBoard } from '@usual-drag/core/drawing';
import { memo } from 'react';
import { MarksView } from '../../drawing/marks-view.tsx';
import type { Dragged } from './dragged.ts';

interface Props {
  readonly parts: readonly PartOnBoard[];
  readonly board: Board;
  readonly editable: boolean;
}

/** Parts on the board; a body is dragged with both legs. Its legs can be moved by keys. */
export const BoardBodies = memo(function BoardBodies({ parts, board, editable }: Props) {
  return parts.map((part) => (
    <Body
      key={part.id}
      part={part}
      from={board.parts.find(({ id }) => id === part.id)?.from ?? null}
      fixed={!editable}
    />
  ));
});

interface BodyProps {
  readonly part: PartOnBoard;
  readonly from: string | null;
  readonly fixed: boolean;
}

function Body({ part: { id, marks }, from, fixed }: BodyProps) {
  const data: Dragged = { kind: 'part', id, hole: from, name: id };
  const { listeners, setNodeRef } = useDraggable({ id: `part ${id}`, data, disabled: fixed || from === null });
  return (
    <g
      ref={setNodeRef as unknown as React.Ref<SVGGElement>}
      data-part={id}
      className={fixed ? undefined : 'cursor-grab touch-none'}
      onPointerDown={listeners?.onPointerDown as React.PointerEventHandler | undefined}
      onClick={(event) => event.stopPropagation()}
    >
      <MarksView marks={marks} />
    </g>
  );
}
