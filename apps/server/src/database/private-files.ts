import { chmodSync, existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';

/**
 * Makes the files of a folder of data, and of its subfolders, readable and writable for their owner alone. Files that are created
 * later are so by the process's file mode mask.
 */
export function keepPrivate(folder: string): void {
  process.umask(0o077);
  if (!existsSync(folder) || !statSync(folder).isDirectory()) return;
  for (const name of readdirSync(folder)) {
    const path = join(folder, name);
    try {
      if (statSync(path).isDirectory()) keepPrivate(path);
      else if (/\.(sqlite(-wal|-shm|-journal|\.part)?|lock)$/.test(name)) chmodSync(path, 0o600);
    } catch {
      // Another owner's file, or one that has gone meanwhile: what can be protected is.
    }
  }
}
