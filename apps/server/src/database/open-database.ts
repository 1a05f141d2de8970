import { eq } from 'drizzle-orm';
import { openPostgresql } from './dialects/postgresql/open-postgresql.ts';
import { openSqlite } from './dialects/sqlite/open-sqlite.ts';
import type { OpenDatabase } from './database.ts';
import { StartFailure } from './start-failure.ts';
import { unfinishedMove } from './unfinished-move.ts';

type Prepare = (folder: string) => Promise<void>;

/**
 * Opens the database of a server: the one at `url`, or the file in the data folder.
 *
 * @param url  null for the file
 * @param prepare  work on the folder while it is held and nothing is open yet; only for the file
 * @throws StartFailure with a sentence and the remedy
 */
export async function openDatabase(url: string | null, folder: string, prepare?: Prepare): Promise<OpenDatabase> {
  const open = await openAnyState(url, folder, prepare);
  const { query, tables, address } = open.database;
  const [unfinished] = await query.select().from(tables.properties).where(eq(tables.properties.name, unfinishedMove));
  if (!unfinished) return open;
  await open.close();
  throw new StartFailure(
    `The move of an installation to ${address ?? folder} was not finished. Move it again: what is there is replaced.`,
  );
}

/** Opens the same, even if a move to it was not finished. */
export const openAnyState = (url: string | null, folder: string, prepare?: Prepare): Promise<OpenDatabase> =>
  url === null ? openSqlite(folder, prepare) : openPostgresql(url, folder);
