import { create } from 'zustand';
import { lazy, type FunctionComponent, type LazyExoticComponent, type ReactNode } from 'react';

/** Fetches a part of the application, at once if it is there already. */
type Load<T> = () => Promise<T>;

const parts: Load<unknown>[] = [];

/** ms between two tries while the server does not answer. */
const retryDelayMs = 2000;

/**
 * A component that is not in the first load: it comes when it is first drawn, or when there is time for it (`fetchAhead`). While the
 * server does not answer it is asked for again and again.
 */
export function fetchedLater<Props extends object>(
  load: Load<(props: Props) => ReactNode>,
): LazyExoticComponent<FunctionComponent<Props>> {
  const fetch = codeLater(load);
  return lazy<FunctionComponent<Props>>(async () => ({ default: await fetch() }));
}

/** Number of pages that are being fetched: the former one remains on the screen meanwhile. */
export const useFetchedPages = create<{ readonly fetching: number }>()(() => ({ fetching: 0 }));

/** The same for a whole page. */
export function pageLater<Props extends object>(
  load: Load<(props: Props) => ReactNode>,
): LazyExoticComponent<FunctionComponent<Props>> {
  const fetch = codeLater(load);
  const count = (by: number): void => useFetchedPages.setState(({ fetching }) => ({ fetching: fetching + by }));
  return lazy<FunctionComponent<Props>>(async () => {
    count(1);
    return { default: await fetch().finally(() => count(-1)) };
  });
}

/** The same for anything else: called, it waits until it is there. */
export function codeLater<T>(load: Load<T>): Load<T> {
  parts.push(load);
  return async () => {
    for (;;) {
      try {
        return await load();
      } catch {
        await new Promise((again) => setTimeout(again, retryDelayMs));
      }
    }
  };
}

/** Fetches everything that is not on the screen yet, a part at a time: what is opened later needs no server then. */
export async function fetchAhead(): Promise<void> {
  // A part that is fetched may have parts of its own, which come to the end of the list.
  for (const load of parts) {
    await spareTime();
    await load().catch(() => undefined);
  }
}

/** Resolves when the browser is idle; not every browser reports that. */
const spareTime = (): Promise<unknown> =>
  new Promise((go) => ('requestIdleCallback' in globalThis ? requestIdleCallback(go) : setTimeout(go, 50)));
