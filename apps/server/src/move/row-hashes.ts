import { createHash } from 'node:crypto';
import { getTableColumns, getTableName, sql, type SQL } from 'drizzle-orm';
import type { SQLiteColumn } from 'drizzle-orm/sqlite-core';
import type { Database } from '../database/database.ts';
import type { Tables } from '../database/schema.ts';
import { unfinishedMove } from '../database/unfinished-move.ts';
import { rowsOf } from './rows.ts';

/** Number of different rows that are named. */
const mostNamed = 5;

/** Compares all rows of a copy with the original by their hashes and returns the names of those that differ, some at most. */
export async function differences(one: Database, other: Database): Promise<string[]> {
  const different: string[] = [];
  for (const name of Object.keys(one.tables) as (keyof Tables)[]) {
    const [here, there] = [await hashesOf(one, one.tables[name]), await hashesOf(other, other.tables[name])];
    // The target has it until all rows have been compared.
    if (name === 'properties') there.delete(unfinishedMove);
    const keys = new Set([...here.keys(), ...there.keys()]);
    for (const key of keys)
      if (here.get(key) !== there.get(key)) different.push(`${getTableName(one.tables[name])}/${key}`);
  }
  return different.slice(0, mostNamed);
}

/** Returns the SHA-256 of each row, over the bytes of its texts, its numbers and, of a document, its place, by the key of the row. */
async function hashesOf(database: Database, table: Tables[keyof Tables]): Promise<Map<string, string>> {
  const hashes = new Map<string, string>();
  const inBytes = (column: SQLiteColumn): SQL | SQLiteColumn =>
    /Text|Custom/.test(column.columnType) ? sql`${database.bytesOf(column)}` : column;
  const columns = Object.entries<SQLiteColumn>(getTableColumns(table));
  const [key] = columns.find(([, { primary }]) => primary)!;
  const isOrdered = columns.some(([name]) => name === 'createdAt');
  for await (const rows of rowsOf(database, table, inBytes))
    for (const row of rows) {
      const hash = createHash('sha256').update(isOrdered ? String(hashes.size) : '');
      for (const value of Object.values(row)) hash.update(bytesOf(value)).update('\u0000');
      hashes.set(Buffer.from(bytesOf(row[key])).toString(), hash.digest('hex'));
    }
  return hashes;
}

function bytesOf(value: unknown): Uint8Array {
  if (value instanceof ArrayBuffer) return new Uint8Array(value);
  return value instanceof Uint8Array ? value : Buffer.from(JSON.stringify(value));
}
