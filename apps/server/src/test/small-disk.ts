import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** A folder on a file system of its own; null if this machine does not let one be mounted. */
export function mountSmallDisk(kilobytes: number): {
  readonly folder: string;
  grow(kilobytes: number): void;
  unmount(): void;
} | null {
  const folder = mkdtempSync(join(tmpdir(), 'usual-drag-disk-'));
  const { status } = spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${kilobytes}k`, 'tmpfs', folder]);
  if (status !== 0) return null;
  const grow = (to: number): void => void execFileSync('mount', ['-o', `remount,size=${to}k`, folder]);
  return { folder, grow, unmount: () => void execFileSync('umount', ['-l', folder]) };
}
