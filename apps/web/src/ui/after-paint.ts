import { useEffect, useState } from 'react';

/**
 * A value one frame late: the newest only once what was drawn with it has been painted. For what follows the drawing at leisure, so
 * that its layout does not hold the drawing's frame up.
 */
export function useAfterPaint<T>(value: T): T {
  const [shown, setShown] = useState(value);
  useEffect(() => {
    let later: ReturnType<typeof setTimeout> | undefined;
    // A task that is asked for within a frame runs after that frame's paint.
    const frame = requestAnimationFrame(() => {
      later = setTimeout(() => setShown(value));
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(later);
    };
  }, [value]);
  return shown;
}
