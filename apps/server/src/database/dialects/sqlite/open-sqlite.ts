import { existsSync, rmSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { createClient, type Client } from '@libsql/client';
import { drizzle } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import { commandLine } from '../../../program.ts';
import { automaticCopies, copiesFolder, keepCopy } from './copies.ts';
import { fileAddress } from './file-address.ts';
import { lockFolder, type FolderLock } from '../../folder-lock.ts';
import { lastMigration, migrationsFolder, stateOf } from './migrations.ts';
import { takeBackUnfinishedImports } from './import-in-parts.ts';
import { keepPrivate } from '../../private-files.ts';
import { schemaFaults } from './schema-faults.ts';
import type { OpenDatabase } from '../../database.ts';
import { sealFormerSignatures } from './seal-former-signatures.ts';
import { sqliteDatabase } from './sqlite-database.ts';
import { StartFailure } from '../../start-failure.ts';
import { steadyClient } from './steady-client.ts';
import { storageFailureOf } from '../../storage-failure.ts';
import { upgradeFrom } from './upgrades.ts';

export const databaseFile = (folder: string): string => join(folder, 'usual-drag.sqlite');

/** Folder in which a backup is checked before it is restored. */
export const stagingFolder = (folder: string): string => join(folder, 'restoring');

/**
 * Takes a folder, opens the database in it, made where it is missing, and brings it up to date; a copy is kept before.
 *
 * Every commit is on the disk before it is answered (write-ahead log, full synchronisation), so that nothing the screen
 * called saved is lost when the power goes.
 *
 * @param prepare  what is to be done with the folder while it is held and nothing is open yet
 * @throws StartFailure with a sentence that names the file and the remedy; a database of a newer version is not written to
 */
export async function openSqlite(
  folder: string,
  prepare: (folder: string) => Promise<void> = () => Promise.resolve(),
): Promise<OpenDatabase> {
  keepPrivate(folder);
  const lock = await lockFolder(folder);
  const file = databaseFile(folder);
  try {
    removeLeftovers(folder);
    await prepare(folder);
    refuseEmptied(folder, file);
    const client = connect(file);
    const { warnings, upgrade } = await bringUpToDate(client, folder, file);
    return {
      folder,
      database: sqliteDatabase(client, file),
      file: { path: file, client },
      warnings,
      upgrade,
      close: async () => {
        // A full disk leaves the log where it is: nothing is lost, the next start reads it.
        await client.execute('pragma wal_checkpoint(truncate)').catch(() => undefined);
        client.close();
        lock.release();
      },
    };
  } catch (error) {
    throw failureOf(error, file, lock);
  }
}

/** One connection, which waits a second where another program has locked the file. */
export const connect = (file: string): Client =>
  steadyClient(createClient({ url: fileAddress(file), concurrency: 1, timeout: 1000 }));

/** Removes what a process that was killed while it sent a backup or restored one has left. */
function removeLeftovers(folder: string): void {
  for (const name of readdirSync(folder))
    if (/^(sending-.*|restoring)$/.test(name)) rmSync(join(folder, name), { recursive: true, force: true });
}

/** A file of 0 bytes beside copies was cut off by something else: starting with nothing would push the copies out one by one. */
function refuseEmptied(folder: string, file: string): void {
  const copies = automaticCopies(folder);
  if (copies.length === 0 || !existsSync(file) || statSync(file).size > 0) return;
  throw new StartFailure(
    `${file} is empty (0 bytes), but there ${copies.length === 1 ? 'is a copy' : `are ${copies.length} copies`} of what it had: ${copies.join(', ')}. Restore the newest: ${commandLine('restore', join(copiesFolder(folder), copies.at(-1)!))}. To begin with nothing, move the empty file and the folder “copies” away.`,
  );
}

async function bringUpToDate(
  client: Client,
  folder: string,
  file: string,
): Promise<Pick<OpenDatabase, 'warnings' | 'upgrade'>> {
  const isThere = existsSync(file) && statSync(file).size > 0;
  const { rows } = isThere ? await client.execute('pragma quick_check(1)') : { rows: [] };
  if (rows[0] && rows[0].quick_check !== 'ok') throw damaged(file);
  const state = await stateOf(client);
  if (state === 'newer')
    // The connection is left open: closing it would write the log into the file.
    throw new StartFailure(
      `${file} was written by a newer version of Usual Drag. Start that version, or restore an older copy of it.`,
    );
  if (state === 'unknown')
    throw new StartFailure(
      `${file} is not a database of Usual Drag. Move it away, or name another folder in USUAL_DRAG_DATA.`,
    );
  await client.execute('pragma journal_mode = wal');
  await refuseWeakerThanFull(client, file);
  const warnings: string[] = [];
  const upgrade =
    state === 'older' ? upgradeFrom(await lastMigration(client), await keepCopy(client, folder, 'migration')) : null;
  await migrateDatabase(client, file);
  await takeBackUnfinishedImports(drizzle(client));
  // What cannot be written now could not be saved later either.
  await client.batch(['pragma user_version = 0'], 'write');
  if (state !== 'empty')
    await keepCopy(client, folder, 'start').catch((error: unknown) => {
      const failure = storageFailureOf(error);
      if (!failure) throw error;
      warnings.push(`No copy of ${file} was made at this start: ${failure.message}.`);
    });
  return { warnings, upgrade };
}

/**
 * Brings the schema of an open database up to date and compares it with what this version needs.
 *
 * @throws StartFailure if tables or indexes are missing or differ
 */
export async function migrateDatabase(client: Client, file: string): Promise<void> {
  await migrate(drizzle(client), { migrationsFolder });
  const faults = await schemaFaults(client);
  if (faults.length > 0)
    throw new StartFailure(
      `${file} cannot be used: ${faults.join(', ')} ${faults.length === 1 ? 'is' : 'are'} missing in it or not as they should be. ${remedies('SQLITE_CORRUPT')}`,
    );
  await sealFormerSignatures(drizzle(client));
}

/** Full synchronisation is what the library is built with; a connection that it opens later has nothing else set either. */
async function refuseWeakerThanFull(client: Client, file: string): Promise<void> {
  const { rows } = await client.execute('pragma synchronous');
  if (Number(rows[0]?.synchronous) < 2) throw new StartFailure(`${file} cannot be written through to the disk.`);
}

function failureOf(error: unknown, file: string, lock: FolderLock): unknown {
  lock.release();
  if (error instanceof StartFailure) return error;
  const failure = storageFailureOf(error);
  if (!failure) return error;
  return new StartFailure(`${file} cannot be used: ${failure.message}. ${remedies(failure.code)}`);
}

const damaged = (file: string): StartFailure =>
  new StartFailure(`${file} cannot be used: the database is damaged. ${remedies('SQLITE_CORRUPT')}`);

/** Returns the remedy for an unusable database, by the code of the failure. */
function remedies(code: string): string {
  if (/^(SQLITE_FULL|ENOSPC|EDQUOT)/.test(code)) return 'Make room on it and start again.';
  if (/^(SQLITE_BUSY|SQLITE_LOCKED)/.test(code)) return 'End the program that has it open and start again.';
  if (/^(SQLITE_READONLY|EROFS|EACCES|EPERM)/.test(code)) return 'Make file and folder writable and start again.';
  if (/^(SQLITE_CORRUPT|SQLITE_NOTADB)/.test(code))
    return `Restore a copy: ${commandLine('restore', 'FILE')}; the automatic ones are in the folder “copies” beside it.`;
  return 'Look at file and folder, or name another folder in USUAL_DRAG_DATA.';
}
