import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import type { NodePgDatabase } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import { migrationsFolderOf } from '../../migrations-folder.ts';
import { migrationsTable, schemaState, type SchemaState } from '../../schema-state.ts';

const migrationsFolder = migrationsFolderOf('postgresql');

const journal = JSON.parse(readFileSync(join(migrationsFolder, 'meta/_journal.json'), 'utf8')) as {
  readonly entries: readonly { readonly tag: string }[];
};

/** Name of the schema that this version of the software uses. */
export const schemaName = journal.entries.at(-1)!.tag;

/** Reads how far a database is; changes nothing in it. */
export async function stateOf(database: NodePgDatabase): Promise<SchemaState> {
  const { rows } = await database.execute<{ name: string }>(
    sql`select tablename as name from pg_tables where schemaname = current_schema()`,
  );
  const last = async (): Promise<number> => {
    const found = await database.execute<{ last: string | null }>(
      sql`select max(created_at) as last from ${sql.identifier(migrationsTable)}`,
    );
    return Number(found.rows[0]?.last ?? 0);
  };
  return schemaState(
    rows.map(({ name }) => name),
    last,
    migrationsFolder,
  );
}

/** Creates what is missing. */
export const bringUpToDate = (database: NodePgDatabase): Promise<void> =>
  migrate(database, { migrationsFolder, migrationsTable, migrationsSchema: 'public' });
