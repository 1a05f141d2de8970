import { setImmediate as turn } from 'node:timers/promises';

/** ms that a long piece of work may keep other requests waiting. */
const sliceMs = 10;

/** Returns a function to be awaited between the parts of a long piece of work: it lets other requests go first now and then. */
export function slices(): () => Promise<void> {
  let since = performance.now();
  return async () => {
    if (performance.now() - since < sliceMs) return;
    await turn();
    since = performance.now();
  };
}
