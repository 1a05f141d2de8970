import { useDrag } from '@use-gesture/react';
import type { Rail } from '@usual-drag/core/drawing';
import { nearestRail } from './nearest-rail.ts';

interface RailDrag {
  readonly onStart?: () => void;
  /** The nearest rail has become another one. */
  readonly onAim: (node: string) => void;
  readonly onDrop: (node: string) => void;
  readonly onCancel: () => void;
}

/** The handlers of something that is dragged from rail to rail, by mouse or finger. */
export function useRailDrag(rails: readonly Rail[], { onStart, onAim, onDrop, onCancel }: RailDrag) {
  return useDrag<PointerEvent>(
    ({ first, last, event, xy, currentTarget, memo }) => {
      if (event.type === 'pointercancel') return onCancel();
      if (first) onStart?.();
      const { node } = nearestRail(rails, currentTarget as SVGGraphicsElement, xy);
      if (last) return onDrop(node);
      if (node !== memo) onAim(node);
      return node;
    },
    { pointer: { keys: false } },
  );
}
