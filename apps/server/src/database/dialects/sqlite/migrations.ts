import type { Client } from '@libsql/client';
import { migrationsFolderOf } from '../../migrations-folder.ts';
import { migrationsTable, schemaState, type SchemaState } from '../../schema-state.ts';

export const migrationsFolder = migrationsFolderOf('sqlite');

/** Returns the time of the last migration of a database, ms since 1970; 0 if none was completed. */
export async function lastMigration(client: Client): Promise<number> {
  const { rows } = await client.execute(`select max(created_at) as last from ${migrationsTable}`);
  return Number(rows[0]?.last ?? 0);
}

/** Reads how far a database is; changes nothing in it. */
export async function stateOf(client: Client): Promise<SchemaState> {
  const { rows } = await client.execute(
    "select name from sqlite_master where type = 'table' and name not like 'sqlite_%'",
  );
  return schemaState(
    rows.map(({ name }) => String(name)),
    () => lastMigration(client),
    migrationsFolder,
  );
}
