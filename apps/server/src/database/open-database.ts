import { openPostgresql } from './dialects/postgresql/open-postgresql.ts';
import { openSqlite } from './dialects/sqlite/open-sqlite.ts';
import type { OpenDatabase } from './database.ts';

/**
 * Opens the database of a server: the one at `url`, or the file in the data folder.
 *
 * @param url  null for the file
 * @param prepare  work on the folder while it is held and nothing is open yet; only for the file
 * @throws StartFailure with a sentence and the remedy
 */
export const openDatabase = (
  url: string | null,
  folder: string,
  prepare?: (folder: string) => Promise<void>,
): Promise<OpenDatabase> => (url === null ? openSqlite(folder, prepare) : openPostgresql(url, folder));
