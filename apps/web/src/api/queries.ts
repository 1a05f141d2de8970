import { notifyManager, QueryClient } from '@tanstack/react-query';

// An edit is on the screen before the next key is read, so that each edit builds on the one before.
notifyManager.setScheduler(queueMicrotask);

/** What the server said, kept and asked again; without a network too, as the browser may have kept an answer. */
export const queries = new QueryClient({ defaultOptions: { queries: { retry: 2, networkMode: 'always' } } });
