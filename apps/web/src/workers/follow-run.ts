import type { Run } from './run.ts';

/** Starts a run; `onProgress` may be called until it ends. */
export type Start<T, Progress> = (onProgress: (progress: Progress) => void) => Run<T>;

/** A change in a run that is followed. */
export type RunEvent<T, Progress> =
  | { readonly kind: 'progress'; readonly progress: Progress }
  | { readonly kind: 'done'; readonly result: T }
  | { readonly kind: 'failed' };

/**
 * Starts a run after `debounceMs` and reports its events.
 *
 * @returns a function that stops the run; no event follows
 */
export function followRun<T, Progress>(
  start: Start<T, Progress>,
  debounceMs: number,
  onEvent: (event: RunEvent<T, Progress>) => void,
): () => void {
  let isOver = false;
  let run: Run<T> | null = null;
  const report = (event: RunEvent<T, Progress>): void => {
    if (!isOver) onEvent(event);
  };
  const timer = setTimeout(() => {
    run = start((progress) => report({ kind: 'progress', progress }));
    // Progress comes by a port of its own, so the last of it may come behind the result.
    const end = (event: RunEvent<T, Progress>): void => {
      report(event);
      isOver = true;
    };
    run.result.then(
      (result) => end({ kind: 'done', result }),
      () => end({ kind: 'failed' }),
    );
  }, debounceMs);
  return () => {
    isOver = true;
    clearTimeout(timer);
    run?.stop();
  };
}
