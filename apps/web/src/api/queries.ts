import { notifyManager, QueryClient } from '@tanstack/react-query';

// An edit is on the screen before the next key is read, so that each edit builds on the one before.
notifyManager.setScheduler(queueMicrotask);

/** Cache of the server's answers; also used without a network, because the browser may have stored an answer. */
export const queries = new QueryClient({ defaultOptions: { queries: { retry: 2, networkMode: 'always' } } });
