import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import BetterSqlite from 'better-sqlite3';
import { drizzle, type BetterSQLite3Database } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import * as schema from './schema.ts';

export type Database = BetterSQLite3Database<typeof schema> & { readonly $client: BetterSqlite.Database };

/** The token under which the open database is injected. */
export const DATABASE = Symbol('database');

/**
 * Opens the database in a folder, made where it is missing, and brings it up to date.
 *
 * Every commit is on the disk before it is answered (write-ahead log, full synchronisation), so that nothing the screen
 * called saved is lost when the power goes.
 */
export function openDatabase(folder: string): Database {
  mkdirSync(folder, { recursive: true });
  const client = new BetterSqlite(join(folder, 'usual-drag.sqlite'));
  client.pragma('journal_mode = WAL');
  client.pragma('synchronous = FULL');
  client.pragma('busy_timeout = 5000');
  const database = drizzle(client, { schema });
  migrate(database, { migrationsFolder: new URL('../src/database/migrations', import.meta.url).pathname });
  return database;
}
