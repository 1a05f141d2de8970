import { useCallback, useMemo, useState } from 'react';

const steps = [0.35, 0.5, 0.62, 0.75, 0.88, 1, 1.25, 1.5, 2];

/** The scales between which a drawing can be shown. */
export const scaleBounds = { min: steps[0]!, max: steps.at(-1)! };

export interface Zoom {
  /** Null fits the drawing into its room. */
  readonly chosen: number | null;
  choose(scale: number): void;
  step(from: number, by: 1 | -1): void;
  fit(): void;
}

/** Scale of a drawing: fitted, or chosen by button, key, pinch, or Ctrl and wheel. */
export function useZoom(): Zoom {
  const [chosen, choose] = useState<number | null>(null);
  const step = useCallback((from: number, by: 1 | -1) => {
    const next = by > 0 ? steps.find((s) => s > from + 0.01) : steps.findLast((s) => s < from - 0.01);
    choose(next ?? from);
  }, []);
  const fit = useCallback(() => choose(null), []);
  return useMemo(() => ({ chosen, choose, step, fit }), [chosen, step, fit]);
}
