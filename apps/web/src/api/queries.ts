import type { Followed } from '@usual-drag/contract';
import { notifyManager, QueryClient } from '@tanstack/react-query';

declare module '@tanstack/react-query' {
  interface Register {
    /** `follows`: the list or document that this page follows while the answer is on the screen. */
    readonly queryMeta: { readonly follows?: Followed };
  }
}

// An edit is on the screen before the next key is read, so that each edit builds on the one before.
notifyManager.setScheduler(queueMicrotask);

/** Cache of the server's answers; also used without a network, because the browser may have stored an answer. */
export const queries = new QueryClient({ defaultOptions: { queries: { retry: 2, networkMode: 'always' } } });
