import { useRef, type PointerEvent } from 'react';

interface Grip {
  readonly x: number;
  readonly y: number;
  readonly left: number;
  readonly top: number;
}

/** Drags the ground of a scrolled drawing. What can be taken hold of in it is left alone. */
export function usePan() {
  const grip = useRef<Grip | null>(null);
  return {
    onPointerDown: (event: PointerEvent<HTMLElement>): void => {
      if (
        (event.target as Element).closest(
          '[data-part], [data-rail], [data-end], [role="slider"], [role="checkbox"], input, button',
        )
      )
        return;
      const { scrollLeft, scrollTop } = event.currentTarget;
      grip.current = { x: event.clientX, y: event.clientY, left: scrollLeft, top: scrollTop };
    },
    onPointerMove: (event: PointerEvent<HTMLElement>): void => {
      const { current } = grip;
      if (!current || event.buttons === 0) return;
      event.currentTarget.scrollLeft = current.left + current.x - event.clientX;
      event.currentTarget.scrollTop = current.top + current.y - event.clientY;
    },
    onPointerUp: (): void => {
      grip.current = null;
    },
  };
}
