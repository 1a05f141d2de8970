import { closeSync, fstatSync, openSync, readSync } from 'node:fs';
import { largestDocument } from '@usual-drag/contract/limits';
import { Failure } from './failure.ts';

const tooLarge = `has more than ${largestDocument / 2 ** 20} MB`;

/**
 * Reads a text file of at most 4 MB, standard input for `-`. No more is read of what turns out to be longer: a device or a pipe
 * may be without end.
 *
 * @throws Failure if it cannot be read, or is too large
 */
export function readInput(file: string): string {
  let handle: number | null = null;
  try {
    handle = file === '-' ? 0 : openSync(file, 'r');
    if (fstatSync(handle).isDirectory()) throw new Failure(`${file} cannot be read: it is a folder.`);
    return readBounded(handle, file);
  } catch (error) {
    throw error instanceof Failure ? error : new Failure(`${file} cannot be read: ${(error as Error).message}`);
  } finally {
    if (handle !== null && handle !== 0) closeSync(handle);
  }
}

function readBounded(handle: number, file: string): string {
  const { size } = fstatSync(handle);
  if (size > largestDocument) throw new Failure(`${file} ${tooLarge}, which no file of these formats has.`);
  const parts: Buffer[] = [];
  let total = 0;
  for (;;) {
    const part = Buffer.allocUnsafe(size > 0 && total === 0 ? size : 65_536);
    const count = readSome(handle, part);
    parts.push(part.subarray(0, count));
    total += count;
    if (count === 0 || total === size) return Buffer.concat(parts).toString('utf8');
    if (total > largestDocument) throw new Failure(`${file} ${tooLarge}, which no file of these formats has.`);
  }
}

/** Bytes read, 0 at the end; waits for a terminal or a pipe that has nothing yet. */
function readSome(handle: number, part: Buffer): number {
  for (;;)
    try {
      return readSync(handle, part);
    } catch (error) {
      const { code } = error as NodeJS.ErrnoException;
      if (code === 'EOF') return 0;
      if (code !== 'EAGAIN') throw error;
      Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 10);
    }
}
