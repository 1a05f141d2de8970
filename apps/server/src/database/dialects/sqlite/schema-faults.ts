import { createClient, type Client } from '@libsql/client';
import { drizzle } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import { migrationsFolder } from './migrations.ts';

/**
 * Compares the tables and indexes of a database that is up to date with those that the migrations create.
 *
 * @returns the names of those that are missing or differ, and so cannot be used; empty if all are as they should be
 */
export async function schemaFaults(client: Client): Promise<string[]> {
  const fresh = createClient({ url: 'file::memory:' });
  try {
    await migrate(drizzle(fresh), { migrationsFolder });
    const [expected, found] = [await definitions(fresh), await definitions(client)];
    return [...expected].filter(([name, sql]) => found.get(name) !== sql).map(([name]) => name);
  } finally {
    fresh.close();
  }
}

/** The statements that define tables and indexes, by name, without what their spelling does not change. */
async function definitions(client: Client): Promise<Map<string, string>> {
  const { rows } = await client.execute(
    "select name, sql from sqlite_master where sql is not null and name not like 'sqlite_%' and name <> '__drizzle_migrations'",
  );
  return new Map(rows.map(({ name, sql }) => [String(name), String(sql).replace(/\s+/g, ' ')]));
}
