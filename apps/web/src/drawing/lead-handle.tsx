import { leadSign, type Rail } from '@usual-drag/core';
import { useRef } from 'react';
import { MarksView } from './marks-view.tsx';
import { nearestRail } from './nearest-rail.ts';

interface Props {
  readonly lead: 'red' | 'black';
  readonly meter: string;
  readonly node: string;
  readonly x: number;
  readonly y: number;
  /** 1 where the meter hangs below this rail, −1 where it stands above. */
  readonly side: number;
  readonly rails: readonly Rail[];
  /** While it is dragged; the reading follows. */
  readonly onPreview: (node: string) => void;
  readonly onPlace: (node: string) => void;
  readonly onCancel: () => void;
}

/** A voltmeter's lead: dragged onto a rail, or moved from rail to rail with the arrow keys. */
export function LeadHandle({ lead, meter, node, x, y, side, rails, onPreview, onPlace, onCancel }: Props) {
  const held = useRef<string | null>(null);
  const downwards = [...rails].sort((a, b) => a.y - b.y);

  const step = (by: number): void => {
    const at = downwards.findIndex((rail) => rail.node === node);
    const next = downwards[at + by];
    if (next) onPlace(next.node);
  };

  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={`${meter}, ${lead} lead`}
      aria-valuetext={`on node ${node}`}
      aria-valuenow={downwards.findIndex((rail) => rail.node === node)}
      aria-valuemin={0}
      aria-valuemax={downwards.length - 1}
      aria-orientation="vertical"
      className="group cursor-grab touch-none focus:outline-none active:cursor-grabbing"
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        held.current = node;
      }}
      onPointerMove={(event) => {
        if (held.current === null) return;
        const next = nearestRail(rails, event).node;
        if (next === held.current) return;
        held.current = next;
        onPreview(next);
      }}
      onPointerUp={() => {
        if (held.current !== null && held.current !== '') onPlace(held.current);
        held.current = null;
      }}
      onPointerCancel={() => {
        held.current = null;
        onCancel();
      }}
      onKeyDown={(event) => {
        if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
          event.preventDefault();
          step(event.key === 'ArrowUp' ? -1 : 1);
        }
      }}
    >
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
