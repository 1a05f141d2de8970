import type { Part, RailDrawing } from '@usual-drag/core/drawing';
import { useRailDrag } from '../../drawing/rail-drag.ts';
import { aim, aimAt, cancelAim, land } from '../model/editing.ts';

/** Rings at the two ends of the selected part, to be dragged onto another rail. By key: M. */
export function EndDrag({ drawing, part }: { readonly drawing: RailDrawing; readonly part: string }) {
  const drawn = drawing.parts.find(({ element }) => element.id === part);
  if (!drawn || drawn.looped) return null;
  return (['from', 'to'] as const).map((end) => <End key={end} drawing={drawing} drawn={drawn} end={end} />);
}

interface EndProps {
  readonly drawing: RailDrawing;
  readonly drawn: Part;
  readonly end: 'from' | 'to';
}

function End({ drawing, drawn, end }: EndProps) {
  const { element, x, yTop, yBottom, inverted } = drawn;
  const upper = (end === 'from') !== inverted;
  const y = upper ? yTop + 9 : yBottom - 9;
  const drag = useRailDrag(drawing.rails, {
    onStart: () => aim({ verb: 'move', part: element.id, end }),
    onAim: aimAt,
    onDrop: (node) => (node === element[end] ? cancelAim() : land(node)),
    onCancel: cancelAim,
  });
  return (
    <g data-end={end} aria-hidden className="cursor-grab touch-none active:cursor-grabbing" {...drag()}>
      <circle cx={x} cy={y} r={14} fill="transparent" />
      <circle cx={x} cy={y} r={6} fill="var(--sheet)" stroke="var(--ochre-line)" strokeWidth={2.5} />
    </g>
  );
}
