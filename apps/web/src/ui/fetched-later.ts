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

/** The same for a page of the router's. */
export function pageLater<Component>(load: Load<Component>): () => Promise<{ readonly Component: Component }> {
  const fetch = codeLater(load);
  return async () => ({ Component: await fetch() });
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

/** Resolves when nobody is kept waiting; not every browser reports that. */
const spareTime = (): Promise<unknown> =>
  new Promise((go) => ('requestIdleCallback' in globalThis ? requestIdleCallback(go) : setTimeout(go, 50)));
