import type { RailDrawing } from '@usual-drag/core';
import { nearestRail } from '../../drawing/nearest-rail.ts';
import { aim, aimAt, cancelAim, land, useEditing } from '../model/editing.ts';

/** Rings at the two ends of the selected part, to be dragged onto another rail. By key: M. */
export function EndDrag({ drawing, part }: { readonly drawing: RailDrawing; readonly part: string }) {
  const drawn = drawing.parts.find(({ element }) => element.id === part);
  if (!drawn || drawn.looped) return null;
  return (['from', 'to'] as const).map((end) => {
    const upper = (end === 'from') !== drawn.inverted;
    const y = upper ? drawn.yTop + 9 : drawn.yBottom - 9;
    return (
      <g
        key={end}
        data-end={end}
        aria-hidden
        className="cursor-grab touch-none active:cursor-grabbing"
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          aim({ verb: 'move', part, end });
        }}
        onPointerMove={(event) => {
          if (useEditing.getState().aim && event.currentTarget.hasPointerCapture(event.pointerId))
            aimAt(nearestRail(drawing.rails, event).node);
        }}
        onPointerUp={(event) => {
          const { at } = useEditing.getState();
          if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
          if (at === null || at === drawn.element[end]) cancelAim();
          else land(at);
        }}
        onPointerCancel={cancelAim}
      >
        <circle cx={drawn.x} cy={y} r={14} fill="transparent" />
        <circle cx={drawn.x} cy={y} r={6} fill="var(--sheet)" stroke="var(--ochre-line)" strokeWidth={2.5} />
      </g>
    );
  });
}
