import { useCallback, useLayoutEffect, useRef } from 'react';

/** A handler that stays the same from one drawing to the next and calls the newest: what it is handed to need not be drawn again. */
export function useNewest<Arguments extends readonly unknown[]>(
  handler: (...of: Arguments) => void,
): (...of: Arguments) => void {
  const newest = useRef(handler);
  useLayoutEffect(() => {
    newest.current = handler;
  });
  return useCallback((...of: Arguments) => newest.current(...of), []);
}
