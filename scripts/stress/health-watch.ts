import { Worker } from 'node:worker_threads';

/** Requests the health of a server all the time, on a thread of its own so that other work here does not count. */
export interface HealthWatch {
  /** Ends it; ms of the longest wait for an answer, and how many were not right. */
  stop(): Promise<{ readonly longestMs: number; readonly wrong: number; readonly asked: number }>;
}

const watching = `
const { parentPort, workerData } = require('node:worker_threads');
let going = true, longestMs = 0, wrong = 0, asked = 0;
parentPort.once('message', () => { going = false; });
(async () => {
  while (going) {
    const begun = performance.now();
    const right = await fetch(workerData.address + '/api/health').then(async (answer) => {
      await answer.text();
      return answer.status === 200;
    }, () => false);
    asked += 1;
    if (!right) wrong += 1;
    longestMs = Math.max(longestMs, performance.now() - begun);
    await new Promise((done) => setTimeout(done, 10));
  }
  parentPort.postMessage({ longestMs, wrong, asked });
})();`;

export function watchHealth(address: string): HealthWatch {
  const worker = new Worker(watching, { eval: true, workerData: { address } });
  return {
    stop: () =>
      new Promise((done) => {
        worker.once('message', done);
        worker.postMessage('stop');
      }),
  };
}
