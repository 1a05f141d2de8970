import { leadSign, type Rail } from '@usual-drag/core/drawing';
import { MarksView } from './marks-view.tsx';
import { useRailDrag } from './rail-drag.ts';

interface Props {
  readonly lead: 'red' | 'black';
  readonly meter: string;
  readonly node: string;
  readonly x: number;
  readonly y: number;
  /** 1 if the meter is below this rail, −1 if it is above. */
  readonly side: number;
  readonly rails: readonly Rail[];
  /** Their nodes from the top down. */
  readonly order: readonly string[];
  /** While it is dragged; the reading follows. */
  readonly onPreview: (node: string) => void;
  readonly onPlace: (node: string) => void;
  readonly onCancel: () => void;
}

/** A voltmeter's lead: dragged onto a rail, or moved from rail to rail with the arrow keys. */
export function LeadHandle({ lead, meter, node, x, y, side, rails, order, onPreview, onPlace, onCancel }: Props) {
  const drag = useRailDrag(rails, { onAim: onPreview, onDrop: onPlace, onCancel });
  const step = (by: number): void => {
    const next = order[order.indexOf(node) + by];
    if (next !== undefined) onPlace(next);
  };

  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={`${meter}, ${lead} lead`}
      aria-valuetext={`on node ${node}`}
      aria-valuenow={order.indexOf(node)}
      aria-valuemin={0}
      aria-valuemax={order.length - 1}
      aria-orientation="vertical"
      className="group cursor-grab touch-none focus:outline-none active:cursor-grabbing"
      {...drag()}
      onKeyDown={(event) => {
        if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
          event.preventDefault();
          step(event.key === 'ArrowUp' ? -1 : 1);
        }
      }}
    >
      <circle cx={x} cy={y + side * 10} r={23} fill="transparent" />
      <circle
        cx={x}
        cy={y + side * 6}
        r={17}
        fill="transparent"
        className="group-hover:fill-(--sunk) group-focus-visible:stroke-(--ochre-line) group-focus-visible:[stroke-width:3]"
      />
      <MarksView marks={leadSign(lead, x, y, side)} />
    </g>
  );
}
