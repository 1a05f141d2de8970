import { mkdtemp, open, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as delay } from 'node:timers/promises';

/** ms between two blocks. */
const gap = 40;

/**
 * Writes blocks to the disk, each with a flush, while something else is measured. Every save waits for the disk, which on a shared
 * machine sometimes takes many times longer than usual.
 *
 * @returns a function that stops the writing and returns the times of the writes, s
 */
export async function watchDisk(): Promise<() => Promise<number[]>> {
  const folder = await mkdtemp(join(tmpdir(), 'usual-drag-disk-'));
  const file = await open(join(folder, 'block'), 'w');
  const block = Buffer.alloc(4096);
  const times: number[] = [];
  let isOver = false;
  const write = async (): Promise<void> => {
    while (!isOver) {
      const begun = performance.now();
      await file.write(block, 0, block.length, 0);
      await file.datasync();
      times.push((performance.now() - begun) / 1000);
      await delay(gap);
    }
  };
  const written = write();
  return async () => {
    isOver = true;
    await written;
    await file.close();
    await rm(folder, { recursive: true });
    return times;
  };
}
