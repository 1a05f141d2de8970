import { sql } from 'drizzle-orm';
import type { NodePgDatabase } from 'drizzle-orm/node-postgres';
import { getTableConfig, type PgTable } from 'drizzle-orm/pg-core';
import { postgresTables } from './tables.ts';

/**
 * Compares the columns and indexes of a database that is up to date with those of the schema.
 *
 * @returns the names of those that are missing or differ, and so cannot be used; empty if all are as they should be
 */
export async function schemaFaults(database: NodePgDatabase): Promise<string[]> {
  const columns = await database.execute<{ name: string; type: string; nullable: string }>(sql`
    select table_name || '.' || column_name as name, data_type as type, is_nullable as nullable
    from information_schema.columns where table_schema = current_schema()`);
  const found = new Map(columns.rows.map(({ name, type, nullable }) => [name, `${type} ${nullable}`]));
  const indexes = await database.execute<{ name: string }>(
    sql`select indexname as name from pg_indexes where schemaname = current_schema()`,
  );
  const indexed = new Set(indexes.rows.map(({ name }) => name));
  return Object.values(postgresTables as unknown as Readonly<Record<string, PgTable>>).flatMap((table) => {
    const config = getTableConfig(table);
    return [
      ...config.columns
        .map((column) => [`${config.name}.${column.name}`, `${column.getSQLType()} ${column.notNull ? 'NO' : 'YES'}`])
        .filter(([name, definition]) => found.get(name!) !== definition)
        .map(([name]) => name!),
      ...config.indexes.map((index) => index.config.name!).filter((name) => !indexed.has(name)),
    ];
  });
}
