import { copyFileSync, existsSync, mkdirSync, openSync, closeSync, fsyncSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { copiesFolder, copyDatabase, stamp } from '../database/copies.ts';
import { connect, databaseFile } from '../database/database.ts';
import { lockFolder } from '../database/folder-lock.ts';
import { schemaState } from '../database/migrations.ts';
import { StartFailure } from '../database/start-failure.ts';

/**
 * Puts a backup in the place of a folder's database. The file is checked first; what it replaces is kept among the copies.
 *
 * @returns what was done, in a sentence
 * @throws StartFailure where a server uses the folder or the file is no sound backup
 */
export async function restore(folder: string, from: string): Promise<string> {
  if (!existsSync(from)) throw new StartFailure(`There is no file ${from}.`);
  const lock = await lockFolder(folder);
  const part = join(folder, 'restoring.sqlite');
  try {
    // Checked as a copy: opening would write beside the backup.
    copyFileSync(from, part);
    await checkBackup(part, from);
    const file = databaseFile(folder);
    const replaced = existsSync(file) ? await putAside(folder, file) : null;
    const handle = openSync(part, 'r+');
    fsyncSync(handle);
    closeSync(handle);
    renameSync(part, file);
    return `${from} is restored in ${folder}.${replaced ? ` What was there is kept in ${replaced}.` : ''}`;
  } finally {
    for (const rest of ['', '-wal', '-shm']) rmSync(part + rest, { force: true });
    lock.release();
  }
}

async function checkBackup(file: string, from: string): Promise<void> {
  const client = connect(file);
  try {
    const { rows } = await client.execute('pragma integrity_check(1)');
    if (rows[0]?.integrity_check !== 'ok') throw new StartFailure(`${from} is damaged and was not restored.`);
    const state = await schemaState(client);
    if (state === 'newer')
      throw new StartFailure(`${from} was written by a newer version of Usual Drag and was not restored.`);
    if (state !== 'current' && state !== 'older')
      throw new StartFailure(`${from} is no backup of Usual Drag and was not restored.`);
  } catch (error) {
    throw error instanceof StartFailure ? error : new StartFailure(`${from} is no database and was not restored.`);
  } finally {
    client.close();
  }
}

/** Keeps the present database among the copies: as one sound file, or byte for byte where it cannot be read. */
async function putAside(folder: string, file: string): Promise<string> {
  const copies = copiesFolder(folder);
  mkdirSync(copies, { recursive: true });
  const kept = join(copies, `${stamp()}-before-restore.sqlite`);
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
