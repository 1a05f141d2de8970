import { drizzle } from 'drizzle-orm/node-postgres';
import { Pool } from 'pg';
import type { OpenDatabase } from '../../database.ts';
import { lockFolder } from '../../folder-lock.ts';
import { keepPrivate } from '../../private-files.ts';
import { StartFailure } from '../../start-failure.ts';
import { addressOf } from './address.ts';
import { connectFailure } from './connect-failure.ts';
import { applicationName } from './connected-servers.ts';
import { Messages } from './messages.ts';
import { bringUpToDate, stateOf } from './migrations.ts';
import { alone, postgresDatabase } from './postgres-database.ts';
import { schemaFaults } from './schema-faults.ts';

/** Connections of one server to the database. */
const mostConnections = 10;
/** ms until a connection or a statement counts as failed. */
const connectionTimeoutMs = 5000;
const statementTimeoutMs = 30_000;

/**
 * Connects to a database server and brings the schema up to date; of several servers that start, one does so at a time.
 *
 * @param folder  of the log of this server; each server has its own
 * @throws StartFailure with a sentence that names the database and the remedy
 */
export async function openPostgresql(url: string, folder: string): Promise<OpenDatabase> {
  keepPrivate(folder);
  const lock = await lockFolder(folder);
  const pool = new Pool({
    connectionString: url,
    max: mostConnections,
    connectionTimeoutMillis: connectionTimeoutMs,
    statement_timeout: statementTimeoutMs,
    // Longer, so that the database reports its own timeout first.
    query_timeout: statementTimeoutMs + connectionTimeoutMs,
    keepAlive: true,
    application_name: applicationName,
  });
  // A lost connection is replaced when the next one is required; a statement on it fails by itself.
  pool.on('error', () => undefined);
  pool.on('connect', (connection) => connection.on('error', () => undefined));
  try {
    await alone(pool, () => prepare(pool, addressOf(url)));
    const messages = await Messages.open(url);
    return {
      folder,
      database: postgresDatabase(pool, url, messages),
      file: null,
      warnings: [],
      upgrade: null,
      close: async () => {
        await messages.close();
        await pool.end();
        lock.release();
      },
    };
  } catch (error) {
    await pool.end();
    lock.release();
    throw connectFailure(error, addressOf(url));
  }
}

async function prepare(pool: Pool, address: string): Promise<void> {
  const database = drizzle(pool);
  const state = await stateOf(database);
  if (state === 'newer')
    throw new StartFailure(`The database ${address} was written by a newer version of Usual Drag. Start that version.`);
  if (state === 'unknown')
    throw new StartFailure(`The database ${address} has tables of another program. Name an empty one in DATABASE_URL.`);
  await bringUpToDate(database);
  const faults = await schemaFaults(database);
  if (faults.length > 0)
    throw new StartFailure(
      `The database ${address} cannot be used: ${faults.join(', ')} ${faults.length === 1 ? 'is' : 'are'} missing in it or not as they should be. Restore a backup of it.`,
    );
}
