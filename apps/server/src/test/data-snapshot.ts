import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { createClient } from '@libsql/client';
import { databaseFile } from '../database/dialects/sqlite/open-sqlite.ts';
import { fileAddress } from '../database/dialects/sqlite/file-address.ts';

/** The content of a database at one time, to put back while a server keeps it open. */
export interface DataSnapshot {
  putBack(): Promise<void>;
}

/** Milliseconds that a write waits for the server's own; a busy machine takes seconds over one. */
const lockTimeoutMs = 20_000;

/** Takes a snapshot of the database in a folder of data. The rows are copied, so the server needs no restart. */
export async function takeSnapshot(folder: string): Promise<DataSnapshot> {
  const snapshot = join(folder, 'snapshot.sqlite');
  rmSync(snapshot, { force: true });
  const client = createClient({ url: fileAddress(databaseFile(folder)), concurrency: 1, timeout: lockTimeoutMs });
  await client.execute({ sql: 'vacuum into ?', args: [snapshot] });
  const { rows } = await client.execute(
    "select name from sqlite_master where type = 'table' and name not like '\\_%' escape '\\' and (name not like 'sqlite%' or name = 'sqlite_sequence')",
  );
  client.close();
  const tables = rows.map(({ name }) => String(name));
  return {
    async putBack() {
      const writer = createClient({ url: fileAddress(databaseFile(folder)), concurrency: 1, timeout: lockTimeoutMs });
      try {
        await writer.execute({ sql: 'attach ? as snapshot', args: [snapshot] });
        await writer.executeMultiple(
          [
            'begin immediate',
            ...tables.flatMap((table) => [
              `delete from main.${table}`,
              `insert into main.${table} select * from snapshot.${table}`,
            ]),
            'commit',
          ].join(';'),
        );
      } finally {
        writer.close();
      }
    },
  };
}
