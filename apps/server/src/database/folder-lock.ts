import { closeSync, existsSync, mkdirSync, openSync, readSync, statSync, truncateSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { createClient, type Client } from '@libsql/client';
import { fileAddress } from './dialects/sqlite/file-address.ts';
import { StartFailure } from './start-failure.ts';
import { storageFailureOf } from './storage-failure.ts';

/** A folder of data that this process alone may change. */
export interface FolderLock {
  release(): void;
}

/** Node's own way of creating parent folders never ends if the system refuses them, as below /proc. */
function makeFolder(folder: string): void {
  if (existsSync(folder)) return;
  makeFolder(dirname(folder));
  mkdirSync(folder);
}

/**
 * The file that is locked. It holds nothing: what else may have been written into it is removed, for it would keep it from being
 * locked.
 */
function lockFile(folder: string): string {
  const file = join(folder, 'usual-drag.lock');
  if (!existsSync(file)) return file;
  const isEmptyDatabase = statSync(file).size === 0 || startOf(file) === 'SQLite format 3\0';
  if (!isEmptyDatabase) truncateSync(file);
  return file;
}

function startOf(file: string): string {
  const handle = openSync(file, 'r');
  try {
    const bytes = Buffer.alloc(16);
    return bytes.toString('latin1', 0, readSync(handle, bytes));
  } finally {
    closeSync(handle);
  }
}

/**
 * Takes a folder for this process. The lock is the operating system's, on a file beside the database: it is gone when the
 * process is, however that ended.
 *
 * @throws StartFailure if another process has it or the folder cannot be used
 */
export async function lockFolder(folder: string): Promise<FolderLock> {
  let client: Client | null = null;
  try {
    makeFolder(folder);
    client = createClient({ url: fileAddress(lockFile(folder)), concurrency: 1 });
    const held = await client.transaction('write');
    const open = client;
    return { release: () => (held.close(), open.close()) };
  } catch (error) {
    client?.close();
    const failure = storageFailureOf(error);
    if (!failure) throw error;
    if (failure.code.startsWith('SQLITE_BUSY'))
      throw new StartFailure(`Another server is using ${folder}. End it, or name another folder in USUAL_DRAG_DATA.`);
    throw new StartFailure(
      `The folder ${folder} cannot be used: ${failure.message}. Make it writable, or name another one in USUAL_DRAG_DATA.`,
    );
  }
}
