import { copyFileSync, existsSync, mkdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { copiesFolder, copyDatabase, copyName, flush } from '../database/dialects/sqlite/copies.ts';
import { connect, databaseFile, stagingFolder } from '../database/dialects/sqlite/open-sqlite.ts';
import { lockFolder } from '../database/folder-lock.ts';
import { keepPrivate } from '../database/private-files.ts';
import { StartFailure } from '../database/start-failure.ts';
import { storageFailureOf } from '../database/storage-failure.ts';
import { prepareBackup } from './prepare-backup.ts';

/**
 * Puts a backup in the place of a folder's database. The file is checked first and opened once as the server would, which brings
 * an older one up to date; what it replaces is kept among the copies.
 *
 * @returns what was done, in a sentence
 * @throws StartFailure if a server uses the folder or the file is no sound backup; the folder is then as before
 */
export async function restore(folder: string, from: string): Promise<string> {
  if (!existsSync(from)) throw new StartFailure(`There is no file ${from}.`);
  // A pipe or a device would be waited for without end.
  if (!statSync(from).isFile()) throw new StartFailure(`${from} is not a file. Name the file of a backup.`);
  keepPrivate(folder);
  const lock = await lockFolder(folder);
  const stage = stagingFolder(folder);
  try {
    rmSync(stage, { recursive: true, force: true });
    mkdirSync(stage);
    // Checked as a copy: opening would write beside the backup.
    const part = databaseFile(stage);
    copyFileSync(from, part);
    await prepareBackup(part, from);
    flush(part);
    const file = databaseFile(folder);
    const replaced = existsSync(file) ? await putAside(folder, file) : null;
    renameSync(part, file);
    keepPrivate(folder);
    return `${from} is restored in ${folder}.${replaced ? ` What was there is kept in ${replaced}.` : ''}`;
  } catch (error) {
    const failure = storageFailureOf(error);
    throw failure ? new StartFailure(`${from} was not restored: ${failure.message}.`) : error;
  } finally {
    rmSync(stage, { recursive: true, force: true });
    lock.release();
  }
}

/** Keeps the present database among the copies: as one sound file, or byte for byte where it cannot be read. */
async function putAside(folder: string, file: string): Promise<string> {
  const copies = copiesFolder(folder);
  mkdirSync(copies, { recursive: true });
  const kept = join(copies, copyName(folder, 'before-restore'));
  try {
    const client = connect(file);
    try {
      await copyDatabase(client, kept);
    } finally {
      client.close();
    }
  } catch {
    for (const rest of ['', '-wal']) if (existsSync(file + rest)) copyFileSync(file + rest, kept + rest);
  }
  for (const rest of ['-wal', '-shm']) rmSync(file + rest, { force: true });
  return kept;
}
