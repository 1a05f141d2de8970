import { statfs } from 'node:fs/promises';

/** Free bytes below which a warning is given: enough for several copies, so that there is time to act. */
const leastFree = 300e6;

/** Returns the free bytes on the disk of a folder; null if the system does not report them. */
export async function freeSpace(folder: string): Promise<number | null> {
  try {
    const { bavail, bsize } = await statfs(folder);
    return bavail * bsize;
  } catch {
    return null;
  }
}

/**
 * Returns a warning if the disk is nearly full, otherwise null.
 *
 * @param free  bytes, as `freeSpace` returns them
 * @param used  bytes of the database, of which a copy is made at each start
 */
export function spaceWarning(folder: string, free: number | null, used: number): string | null {
  if (free === null || free >= Math.max(leastFree, 3 * used)) return null;
  return `Only ${Math.floor(free / 1e6)} MB are free on the disk of ${folder}. Free some space: nothing can be saved once the disk is full.`;
}
