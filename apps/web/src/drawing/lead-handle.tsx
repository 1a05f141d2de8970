import type { Rail } from '@usual-drag/core';
import { useRef } from 'react';
import { LeadSign } from './meter-view.tsx';

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

  const nearest = (event: React.PointerEvent<SVGGElement>): string => {
    const point = toDrawing(event);
    return rails.reduce((best, rail) => (distance(rail, point) < distance(best, point) ? rail : best), rails[0]!).node;
  };
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
        const next = nearest(event);
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
      <LeadSign x={x} y={y} lead={lead} side={side} />
    </g>
  );
}

interface Point {
  readonly x: number;
  readonly y: number;
}

/** Where the pointer is in the drawing's own px. */
function toDrawing(event: React.PointerEvent<SVGGElement>): Point {
  const svg = event.currentTarget.ownerSVGElement!;
  const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM()!.inverse());
  return { x, y };
}

/** Height counts; being beside a rail counts a little, so that rails at one height can be told apart. */
const distance = (rail: Rail, { x, y }: Point): number =>
  Math.abs(rail.y - y) + 0.15 * Math.max(0, rail.x1 - x, x - rail.x2);
