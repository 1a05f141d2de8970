import { DrizzleQueryError, sql } from 'drizzle-orm';
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import type { PgDatabase } from 'drizzle-orm/pg-core';
import type { Pool } from 'pg';
import type { Database, Query } from '../../database.ts';
import type { Peers } from '../../peers.ts';
import { addressOf } from './address.ts';
import { schemaName } from './migrations.ts';
import { postgresTables } from './tables.ts';

/** Key of the lock that one server of a database holds at a time, by which others know it. */
const lockKey = 8470;

/** Returns the database of a server, which several processes may use. */
export function postgresDatabase(pool: Pool, url: string, peers: Peers): Database {
  const database = drizzle(pool);
  const atomically: Database['atomically'] = (statements) =>
    database
      .transaction(async (transaction) => {
        const results: unknown[] = [];
        for (const statement of statements(asQuery(transaction))) results.push(await statement);
        return results as never;
      })
      // An error of the connection is marked as one of the database, as those of statements are.
      .catch((error: unknown) => {
        throw error instanceof DrizzleQueryError ? error : new DrizzleQueryError('begin', [], error as Error);
      });
  const value = async (expression: string): Promise<string> => {
    const { rows } = await database.execute<{ value: string }>(sql.raw(`select ${expression} as value`));
    return rows[0]!.value;
  };
  return {
    engine: 'PostgreSQL',
    schema: schemaName,
    address: addressOf(url),
    tables: postgresTables,
    query: asQuery(database),
    bytesOf: (text) => sql`convert_to(${text}, 'UTF8')`,
    locked: sql`for update`,
    peers,
    atomically,
    async addJobs(added) {
      const { jobs } = postgresTables;
      const now = new Date().toISOString();
      await atomically((query) =>
        added.map(({ id, text }) =>
          query.insert(jobs).values({ id, revision: 1, document: text, createdAt: now, updatedAt: now }),
        ),
      );
    },
    async continueNumbering() {
      for (const table of ['revisions', 'attempts', 'signatures'])
        await database.execute(
          sql.raw(`select setval(pg_get_serial_sequence('${table}', 'entry'), max(entry)) from ${table}`),
        );
    },
    alone: (work) => alone(pool, work),
    version: async () => (await value("current_setting('server_version')")).split(' ')[0]!,
    bytes: async () => Number(await value('pg_database_size(current_database())')),
  };
}

/** Runs `work` while no other process holds the lock of the database. */
export async function alone<T>(pool: Pool, work: () => Promise<T>): Promise<T> {
  const connection = await pool.connect();
  try {
    await connection.query('select pg_advisory_lock($1)', [lockKey]);
    try {
      return await work();
    } finally {
      await connection.query('select pg_advisory_unlock($1)', [lockKey]);
    }
  } finally {
    connection.release();
  }
}

/** The builder of PostgreSQL names `run` otherwise. */
const asQuery = (database: NodePgDatabase | PgDatabase<never>): Query =>
  Object.assign(database, { run: database.execute.bind(database) }) as unknown as Query;
