import { statfs } from 'node:fs/promises';

/** Free bytes of the disk below which a warning is given: room for copies, and time to make more. */
const leastFree = 300e6;

/** Bytes that are free on the disk of a folder; null if the system does not say. */
export async function freeSpace(folder: string): Promise<number | null> {
  try {
    const { bavail, bsize } = await statfs(folder);
    return bavail * bsize;
  } catch {
    return null;
  }
}

/**
 * Returns a warning if the disk is nearly full; null if it is not.
 *
 * @param free  bytes, as `freeSpace` returns them
 * @param used  bytes of the database, of which a copy is made at each start
 */
export function spaceWarning(folder: string, free: number | null, used: number): string | null {
  if (free === null || free >= Math.max(leastFree, 3 * used)) return null;
  return `The disk of ${folder} has ${Math.floor(free / 1e6)} MB left. Make room before it is full: nothing can be saved then.`;
}
