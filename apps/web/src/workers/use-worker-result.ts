import { useEffect, useState } from 'react';
import { followRun, type Start } from './follow-run.ts';

/** State of work that runs in a worker. */
export interface WorkerResult<T, Progress> {
  /** The last result; it remains while the next run is under way. Null before the first, or if there is no work. */
  readonly result: T | null;
  readonly state: 'running' | 'done' | 'stopped' | 'failed';
  /** Progress of the run that is under way; null before its first report. */
  readonly progress: Progress | null;
  readonly stop: () => void;
}

interface Latest<T, Progress> {
  /** The work that the events are of. */
  readonly of: unknown;
  readonly state: 'running' | 'done' | 'failed';
  readonly progress: Progress | null;
  readonly result: T | null;
}

/** Milliseconds without another edit before the work is started. */
const usualDebounceMs = 150;

/**
 * Runs work in a worker as long as the component is on the screen; other work ends the former run.
 *
 * @param start  null if there is no work; the same function as long as the work is the same
 */
export function useWorkerResult<T, Progress = never>(
  start: Start<T, Progress> | null,
  debounceMs = usualDebounceMs,
): WorkerResult<T, Progress> {
  const [latest, setLatest] = useState<Latest<T, Progress>>({
    of: null,
    state: 'running',
    progress: null,
    result: null,
  });
  const [stopped, setStopped] = useState<unknown>(null);
  const isStopped = stopped === start;
  useEffect(() => {
    if (!start || isStopped) return;
    return followRun(start, debounceMs, (event) =>
      setLatest(({ result }): Latest<T, Progress> => {
        const running = { of: start, state: 'running', progress: null, result } as const;
        if (event.kind === 'progress') return { ...running, progress: event.progress };
        if (event.kind === 'failed') return { ...running, state: 'failed' };
        return { ...running, state: 'done', result: event.result };
      }),
    );
  }, [start, isStopped, debounceMs]);
  const isLatest = latest.of === start;
  return {
    result: start === null ? null : latest.result,
    state: isStopped ? 'stopped' : isLatest ? latest.state : 'running',
    progress: isLatest ? latest.progress : null,
    stop: () => setStopped(() => start),
  };
}
