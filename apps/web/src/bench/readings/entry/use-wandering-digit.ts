import { useEffect, useEffectEvent } from 'react';

/** ms between two measurements of the display. */
const intervalMs = 800;

/**
 * Calls `show` again and again while a simulated display is visible, as an instrument measures again and again.
 *
 * @param show  displays the measurement with this number, from 1; it is not called if the user prefers reduced motion
 */
export function useWanderingDigit(isShown: boolean, show: (time: number) => void): void {
  const showLatest = useEffectEvent(show);
  useEffect(() => {
    if (!isShown || matchMedia('(prefers-reduced-motion: reduce)').matches) return;
    let time = 0;
    const timer = setInterval(() => showLatest((time += 1)), intervalMs);
    return () => clearInterval(timer);
  }, [isShown]);
}
