import { useEffect, useState } from 'react';

/** Work that is put off until the next frame is painted. */
export interface PutOff {
  /** Runs it now; nothing if it has run or was cancelled. */
  readonly run: () => void;
  readonly cancel: () => void;
}

/** Runs something once the next frame is painted, so that it does not hold that frame up. */
export function afterPaint(work: () => void): PutOff {
  let later: ReturnType<typeof setTimeout> | undefined;
  let isOpen = true;
  // A task that is asked for within a frame runs after that frame's paint.
  const frame = requestAnimationFrame(() => {
    later = setTimeout(() => run());
  });
  const cancel = (): void => {
    isOpen = false;
    cancelAnimationFrame(frame);
    clearTimeout(later);
  };
  const run = (): void => {
    if (!isOpen) return;
    cancel();
    work();
  };
  return { run, cancel };
}

/**
 * A value one frame late: the newest only once what was drawn with it has been painted. For what follows the drawing at leisure, so
 * that its layout does not hold the drawing's frame up.
 */
export function useAfterPaint<T>(value: T): T {
  const [shown, setShown] = useState(value);
  useEffect(() => afterPaint(() => setShown(value)).cancel, [value]);
  return shown;
}
