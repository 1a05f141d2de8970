import { basename } from 'node:path';
import { Client } from 'pg';

/** Variables of the environment: the engine of a test, and the address of the cluster for the tests on PostgreSQL. */
export const engineVariable = 'USUAL_DRAG_TEST_ENGINE';
export const clusterVariable = 'USUAL_DRAG_TEST_CLUSTER';

/** Engine on which the present tests run. */
export const testEngine = (): string => process.env[engineVariable] ?? 'SQLite';

export const isOnPostgres = (): boolean => testEngine() === 'PostgreSQL';

/** Name of the database that belongs to a data folder in tests on PostgreSQL. */
const nameOf = (folder: string): string => basename(folder).toLowerCase();

/** Returns the settings of a test's database: on PostgreSQL, each data folder has a database of its name. */
export async function testDatabase(folder: string): Promise<Readonly<Record<string, string>>> {
  if (!isOnPostgres()) return {};
  const name = nameOf(folder);
  const cluster = process.env[clusterVariable]!;
  const client = new Client({ connectionString: `${cluster}/postgres` });
  await client.connect();
  const { rowCount } = await client.query('select from pg_database where datname = $1', [name]);
  if (rowCount === 0) await client.query(`create database "${name}"`);
  await client.end();
  return { DATABASE_URL: testDatabaseUrl(folder) };
}

/** Returns the address of the database that belongs to a data folder in tests on PostgreSQL. */
export const testDatabaseUrl = (folder: string): string => `${process.env[clusterVariable]}/${nameOf(folder)}`;
