import { useCallback, useMemo, useState, type RefCallback } from 'react';

const steps = [0.35, 0.5, 0.62, 0.75, 0.88, 1, 1.25, 1.5, 2];

export interface Zoom {
  /** Null fits the drawing into its room. */
  readonly chosen: number | null;
  readonly wheelRef: RefCallback<HTMLElement>;
  step(from: number, by: 1 | -1): void;
  fit(): void;
}

/** How large a drawing is shown: fitted, or as chosen by button, key or Ctrl and wheel. */
export function useZoom(): Zoom {
  const [chosen, setChosen] = useState<number | null>(null);
  const step = useCallback((from: number, by: 1 | -1) => {
    const next = by > 0 ? steps.find((s) => s > from + 0.01) : steps.findLast((s) => s < from - 0.01);
    setChosen(next ?? from);
  }, []);
  // React listens to the wheel passively, and a passive listener cannot keep the browser from zooming the page.
  const wheelRef = useCallback((element: HTMLElement | null) => {
    if (!element) return;
    const turn = (event: WheelEvent): void => {
      if (!event.ctrlKey) return;
      event.preventDefault();
      const shown = Number(element.dataset.scale);
      setChosen(Math.min(2, Math.max(0.35, shown * Math.exp(-event.deltaY / 500))));
    };
    element.addEventListener('wheel', turn, { passive: false });
    return () => element.removeEventListener('wheel', turn);
  }, []);
  const fit = useCallback(() => setChosen(null), []);
  return useMemo(() => ({ chosen, wheelRef, step, fit }), [chosen, wheelRef, step, fit]);
}
