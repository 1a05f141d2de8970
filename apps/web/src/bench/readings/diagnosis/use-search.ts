import type { JobFault, Result } from '@usual-drag/core';
import { useEffect, useState } from 'react';
import type { Search } from '../../../workers/diagnosis.ts';

/** Work beside the page: what came of it last, and whether it is under way. */
export interface Searched<T> {
  readonly found: Result<T, JobFault> | null;
  readonly isSearching: boolean;
  readonly stop: () => void;
}

/** ms after the last edit until the work begins. */
const debounceMs = 150;

/**
 * Runs work in a worker for as long as the component is there, anew whenever it is another.
 *
 * @param start  null if there is nothing to look for; the same function as long as the work is the same
 */
export function useSearch<T>(start: (() => Search<T>) | null): Searched<T> {
  const [state, setState] = useState<{ readonly of: unknown; readonly found: Result<T, JobFault> | null }>({
    of: null,
    found: null,
  });
  const [stopped, setStopped] = useState<unknown>(null);
  const isStopped = stopped === start;
  useEffect(() => {
    if (!start || isStopped) return;
    let search: Search<T> | null = null;
    let isNewest = true;
    const later = setTimeout(() => {
      search = start();
      search.result.then(
        (found) => isNewest && setState({ of: start, found }),
        () => undefined,
      );
    }, debounceMs);
    return () => {
      isNewest = false;
      clearTimeout(later);
      search?.stop();
    };
  }, [start, isStopped]);
  const isSearching = start !== null && state.of !== start && !isStopped;
  return { found: start === null ? null : state.found, isSearching, stop: () => setStopped(() => start) };
}
