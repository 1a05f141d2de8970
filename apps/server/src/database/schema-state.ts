import { readMigrationFiles } from 'drizzle-orm/migrator';

/** State of a database compared with this version of the software. */
export type SchemaState = 'empty' | 'current' | 'older' | 'newer' | 'unknown';

/** Table in which the migrations of a database are listed. */
export const migrationsTable = '__drizzle_migrations';

/**
 * Compares a database with the migrations of this version.
 *
 * @param tables  names of all its tables
 * @param last  returns the time of its last migration, ms since 1970; 0 if none was completed
 */
export async function schemaState(
  tables: readonly string[],
  last: () => Promise<number>,
  migrationsFolder: string,
): Promise<SchemaState> {
  if (tables.length === 0) return 'empty';
  if (!tables.includes(migrationsTable)) return 'unknown';
  const known = readMigrationFiles({ migrationsFolder }).map(({ folderMillis }) => folderMillis);
  const [newest, found] = [known.at(-1)!, await last()];
  if (found > newest) return 'newer';
  if (found === newest) return 'current';
  return found === 0 || known.includes(found) ? 'older' : 'unknown';
}
