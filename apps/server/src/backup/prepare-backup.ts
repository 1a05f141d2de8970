import { connect, migrateDatabase } from '../database/dialects/sqlite/open-sqlite.ts';
import { drizzle } from 'drizzle-orm/libsql';
import { takeBackUnfinishedImports } from '../database/dialects/sqlite/import-in-parts.ts';
import { checkFile, unsealFile } from '../database/dialects/sqlite/file-checksum.ts';
import { stateOf } from '../database/dialects/sqlite/migrations.ts';
import { StartFailure } from '../database/start-failure.ts';
import { storageFailureOf } from '../database/storage-failure.ts';

/**
 * Checks a copied backup and opens it as the server does: an older one is migrated, an unfinished import in it is undone.
 *
 * @param file  a copy of the backup, as opening it writes to it
 * @param name  name of the backup in a refusal
 * @throws StartFailure if it is no sound backup of this version or an older one
 */
export async function prepareBackup(file: string, name: string): Promise<void> {
  const refused = (why: string): StartFailure => new StartFailure(`${name} ${why} and was not restored.`);
  const client = connect(file);
  try {
    const { rows } = await client.execute('pragma integrity_check(1)');
    if (rows[0]?.integrity_check !== 'ok') throw refused('is damaged');
    const state = await stateOf(client);
    if (state === 'newer') throw refused('was written by a newer version of Usual Drag');
    if (state !== 'current' && state !== 'older') throw refused('is no backup of Usual Drag');
    const checksum = await checkFile(client, file);
    if (checksum === 'wrong') throw refused('is damaged: its contents do not match its checksum');
    if (state === 'current' && checksum === 'none')
      throw refused('has no checksum: it is not a backup of this version,');
    await migrateDatabase(client, file);
    await takeBackUnfinishedImports(drizzle(client));
    await unsealFile(client);
    await client.execute('pragma wal_checkpoint(truncate)');
  } catch (error) {
    if (error instanceof StartFailure) throw error;
    // What the database reports of a file that is none is no fault of the program; a full disk is not the file's fault.
    const failure = storageFailureOf(error);
    throw failure?.status === 507 ? error : refused('cannot be opened as a database');
  } finally {
    client.close();
  }
}
