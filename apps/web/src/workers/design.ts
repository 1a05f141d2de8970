import type { Design, solveDesign } from '@usual-drag/core';
import { wrap } from 'comlink';
import type { Work } from './design.worker.ts';

/** Works a design out, its parts chosen, in a worker of its own. */
export function startDesign(design: Design): {
  readonly result: Promise<ReturnType<typeof solveDesign>>;
  readonly stop: () => void;
} {
  const worker = new Worker(new URL('./design.worker.ts', import.meta.url), { type: 'module' });
  const stop = (): void => worker.terminate();
  return { result: wrap<Work>(worker)(design).finally(stop), stop };
}
