import type { Client } from '@libsql/client';
import type { StoredContents } from '@usual-drag/contract';
import { count, max } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/libsql';
import { attempts, instruments, jobs, meterProjects, signatures } from './schema.ts';

const documentTables = { jobs, instruments, meterProjects };

/** Counts the contents of a database, archived documents included. */
export async function storedContents(client: Client): Promise<StoredContents> {
  const database = drizzle(client);
  const counted = async (table: typeof jobs | typeof signatures | typeof attempts): Promise<number> =>
    (await database.select({ rows: count() }).from(table))[0]!.rows;
  let changedAt: string | null = null;
  for (const table of Object.values(documentTables)) {
    const [row] = await database.select({ at: max(table.updatedAt) }).from(table);
    if (row?.at && (changedAt === null || row.at > changedAt)) changedAt = row.at;
  }
  return {
    jobs: await counted(jobs),
    instruments: await counted(instruments),
    meterProjects: await counted(meterProjects),
    signatures: await counted(signatures),
    attempts: await counted(attempts),
    changedAt,
  };
}
