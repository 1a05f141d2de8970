import { statSync } from 'node:fs';
import type { Client } from '@libsql/client';
import { sql } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/libsql';
import type { Database } from '../../database.ts';
import { noPeers } from '../../peers.ts';
import { tables } from '../../schema.ts';
import { schemaName } from './upgrades.ts';
import { importedInParts } from './import-in-parts.ts';

/** Returns the database in an open file, which this process alone uses. @param path  of the file */
export function sqliteDatabase(client: Client, path: string): Database {
  const query = drizzle(client);
  return {
    engine: 'SQLite',
    schema: schemaName,
    address: null,
    tables,
    query,
    bytesOf: (text) => sql`cast(${text} as blob)`,
    locked: sql``,
    peers: noPeers,
    async atomically(statements) {
      const [first, ...others] = statements(query);
      return (first === undefined ? [] : await query.batch([first, ...others] as never)) as never;
    },
    addJobs: (added) => importedInParts(query, added),
    // SQLite does this itself.
    continueNumbering: () => Promise.resolve(),
    alone: (work) => work(),
    version: async () => String((await client.execute('select sqlite_version() as version')).rows[0]!.version),
    bytes: () => Promise.resolve(statSync(path).size),
  };
}
