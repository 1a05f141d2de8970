import { randomUUID } from 'node:crypto';
import { eq, inArray, like } from 'drizzle-orm';
import type { LibSQLDatabase } from 'drizzle-orm/libsql';
import { setImmediate as turn } from 'node:timers/promises';
import type { AddedJob } from '../../database.ts';
import { jobs, properties } from '../../schema.ts';

/** Characters of documents that one statement writes at a time, so that other requests are answered in between. */
const partSize = 2 ** 20;
/** Prefix of the properties that list the jobs of an unfinished import. */
const prefix = 'import/';

/**
 * Adds jobs, all or none, without holding other requests up: they are written part by part, and an import that does not come to
 * its end is taken back, here or at the next start.
 */
export async function importedInParts(database: LibSQLDatabase, added: readonly AddedJob[]): Promise<void> {
  const name = prefix + randomUUID();
  const now = new Date().toISOString();
  const ids = added.map(({ id }) => id);
  await database.insert(properties).values({ name, value: JSON.stringify(ids) });
  try {
    for (const part of inParts(added)) {
      await database
        .insert(jobs)
        .values(part.map(({ id, text }) => ({ id, revision: 1, document: text, createdAt: now, updatedAt: now })));
      await turn();
    }
  } catch (error) {
    await takeBack(database, name, ids);
    throw error;
  }
  await database.delete(properties).where(eq(properties.name, name));
}

/** Takes back the imports that a killed process left half done. */
export async function takeBackUnfinishedImports(database: LibSQLDatabase): Promise<void> {
  const unfinished = await database
    .select()
    .from(properties)
    .where(like(properties.name, `${prefix}%`));
  for (const { name, value } of unfinished) await takeBack(database, name, JSON.parse(value) as string[]);
}

async function takeBack(database: LibSQLDatabase, name: string, ids: readonly string[]): Promise<void> {
  for (let at = 0; at < ids.length; at += 500)
    await database.delete(jobs).where(inArray(jobs.id, ids.slice(at, at + 500)));
  await database.delete(properties).where(eq(properties.name, name));
}

function inParts(added: readonly AddedJob[]): AddedJob[][] {
  const parts: AddedJob[][] = [];
  let size = Infinity;
  for (const job of added) {
    // Five values a row: SQLite takes some thousands in one statement.
    if (size + job.text.length > partSize || parts.at(-1)!.length === 100) {
      parts.push([]);
      size = 0;
    }
    parts.at(-1)!.push(job);
    size += job.text.length;
  }
  return parts;
}
