import { useDraggable } from '@dnd-kit/core';
import type { PluggedEnd } from '@usual-drag/core/drawing';
import { memo, type KeyboardEvent } from 'react';
import { withoutEnd, type Dragged } from './dragged.ts';
import { editBoard } from './board-now.ts';

/** Handles of everything that can be moved from hole to hole. */
export const BoardEnds = memo(function BoardEnds({ ends }: { readonly ends: readonly PluggedEnd[] }) {
  return ends.map((end, index) => <End key={index} end={end} index={index} />);
});

/** @param index  place among the ends; it stays the same while the end is dragged */
function End({ end: { hole, name, x, y }, index }: { readonly end: PluggedEnd; readonly index: number }) {
  const data: Dragged = { kind: 'end', id: '', hole, name };
  const { attributes, listeners, setNodeRef, isDragging } = useDraggable({ id: `end ${index}`, data });
  const { onKeyDown, ...pointer } = (listeners ?? {}) as Record<string, (event: never) => void>;
  return (
    <g
      ref={setNodeRef as unknown as React.Ref<SVGGElement>}
      data-end={hole}
      className="group cursor-grab touch-none focus:outline-none active:cursor-grabbing"
      {...attributes}
      {...pointer}
      aria-label={`${name}, in hole ${hole}`}
      aria-roledescription="movable end"
      onClick={(event) => event.stopPropagation()}
      onKeyDown={(event: KeyboardEvent) => {
        if (event.key === 'Delete' || event.key === 'Backspace') {
          event.preventDefault();
          return editBoard((board) => withoutEnd(board, hole));
        }
        return onKeyDown?.(event as never);
      }}
    >
      <circle cx={x} cy={y} r={10} fill="transparent" />
      <circle
        cx={x}
        cy={y}
        r={9}
        fill="none"
        strokeWidth={3}
        className={
          isDragging
            ? 'stroke-(--ochre-line)'
            : 'stroke-transparent group-hover:stroke-(--ochre-line) group-focus-visible:stroke-(--ochre-line)'
        }
      />
    </g>
  );
}
