import { createUseGesture, dragAction, pinchAction } from '@use-gesture/react';
import { useCallback, useLayoutEffect, useRef, type RefCallback } from 'react';
import { scaleBounds, type Zoom } from './zoom.ts';

// Only the gestures that are used are shipped.
const useGesture = createUseGesture([dragAction, pinchAction]);

/** Handles of a drawing; dragging one does not move the ground. */
const handles = '[data-part], [data-rail], [data-end], [role="slider"], [role="checkbox"], input, button';

/** Point of the drawing to hold while its scale changes, px from the corner of its room. */
interface Anchor {
  readonly scale: number;
  readonly x: number;
  readonly y: number;
}

/**
 * Pan and zoom of a scrolled drawing: its ground is dragged by one finger or the mouse, its scale changed by two fingers or by
 * Ctrl and wheel about the point between or below them.
 *
 * @param scale  as the drawing is shown now
 * @param sizeRef  ref that follows the size of the same element
 * @returns the ref of the scroller
 */
export function useDrawingGestures(
  zoom: Zoom,
  scale: number,
  sizeRef: RefCallback<HTMLElement>,
): RefCallback<HTMLDivElement> {
  const room = useRef<HTMLDivElement>(null);
  const anchor = useRef<Anchor | null>(null);
  useLayoutEffect(() => {
    const held = anchor.current;
    if (!held || !room.current) return;
    anchor.current = null;
    const { scrollLeft, scrollTop } = room.current;
    room.current.scrollTo(
      ((scrollLeft + held.x) * scale) / held.scale - held.x,
      ((scrollTop + held.y) * scale) / held.scale - held.y,
    );
  }, [scale]);
  useGesture(
    {
      onDrag: ({ first, event, delta: [dx, dy], pinching, cancel }) => {
        if (pinching || (first && (event.target as Element).closest(handles))) return cancel();
        room.current?.scrollBy(-dx, -dy);
      },
      onPinch: ({ origin: [x, y], offset: [next] }) => {
        if (!room.current) return;
        const { left, top } = room.current.getBoundingClientRect();
        anchor.current = { scale, x: x - left, y: y - top };
        zoom.choose(next);
      },
    },
    {
      target: room,
      eventOptions: { passive: false },
      drag: { pointer: { capture: false } },
      pinch: { scaleBounds, from: () => [scale, 0] },
    },
  );
  return useCallback(
    (element: HTMLDivElement | null) => {
      room.current = element;
      return sizeRef(element);
    },
    [sizeRef],
  );
}
