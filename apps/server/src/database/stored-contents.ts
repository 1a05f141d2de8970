import type { StoredContents } from '@usual-drag/contract';
import { count, max } from 'drizzle-orm';
import type { Database } from './database.ts';
import type { Tables } from './schema.ts';

/** Counts the contents of a database, archived documents included. */
export async function storedContents({ query, tables }: Pick<Database, 'query' | 'tables'>): Promise<StoredContents> {
  const { jobs, instruments, meterProjects, signatures, attempts } = tables;
  const counted = async (table: Tables[keyof Tables]): Promise<number> =>
    (await query.select({ rows: count() }).from(table))[0]!.rows;
  let changedAt: string | null = null;
  for (const table of [jobs, instruments, meterProjects]) {
    const [row] = await query.select({ at: max(table.updatedAt) }).from(table);
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
