import { fileURLToPath } from 'node:url';
import type { Client } from '@libsql/client';
import { readMigrationFiles } from 'drizzle-orm/migrator';

/** Found from the built file as from the source. */
const isSource = /\/src\/database\/dialects\/sqlite\/[^/]+$/.test(import.meta.url);
export const migrationsFolder = fileURLToPath(
  new URL(isSource ? './migrations' : '../src/database/dialects/sqlite/migrations', import.meta.url),
);

/** State of a database compared with this version of the software. */
export type SchemaState = 'empty' | 'current' | 'older' | 'newer' | 'unknown';

/** Returns the time of the last migration of a database, ms since 1970; 0 if none was completed. */
export async function lastMigration(client: Client): Promise<number> {
  const { rows } = await client.execute('select max(created_at) as last from __drizzle_migrations');
  return Number(rows[0]?.last ?? 0);
}

/** Reads how far a database is; changes nothing in it. */
export async function schemaState(client: Client): Promise<SchemaState> {
  const { rows } = await client.execute(
    "select name from sqlite_master where type = 'table' and name not like 'sqlite_%'",
  );
  const tables = rows.map(({ name }) => name as string);
  if (tables.length === 0) return 'empty';
  if (!tables.includes('__drizzle_migrations')) return 'unknown';
  const known = readMigrationFiles({ migrationsFolder }).map(({ folderMillis }) => folderMillis);
  const newest = known.at(-1)!;
  const last = await lastMigration(client);
  if (last > newest) return 'newer';
  if (last === newest) return 'current';
  return last === 0 || known.includes(last) ? 'older' : 'unknown';
}
