import { parentPort } from 'node:worker_threads';
import type { Answered, Asked } from './messages.ts';
import { tasks } from './tasks.ts';

// The worker thread: one task after the other, each answered once.
const port = parentPort!;
const answer = (answered: Answered): void => port.postMessage(answered);

port.on('message', ({ task, input }: Asked) => {
  void (async () => {
    try {
      answer({ kind: 'done', value: await tasks[task](input as never) });
    } catch (error) {
      answer({ kind: 'threw', message: error instanceof Error ? error.message : String(error) });
    }
  })();
});
answer({ kind: 'ready' });
