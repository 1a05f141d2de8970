import { count, eq, getTableColumns, sql, type SQL } from 'drizzle-orm';
import type { SQLiteColumn } from 'drizzle-orm/sqlite-core';
import type { Database } from '../database/database.ts';
import type { Tables } from '../database/schema.ts';
import { unfinishedMove } from '../database/unfinished-move.ts';
import { rowsOf } from './rows.ts';

const names = (tables: Tables): (keyof Tables)[] => Object.keys(tables) as (keyof Tables)[];

/** Returns whether a database has no documents, or only those of a copy that was not finished. */
export async function isEmpty({ query, tables }: Database): Promise<boolean> {
  const [unfinished] = await query.select().from(tables.properties).where(eq(tables.properties.name, unfinishedMove));
  if (unfinished) return true;
  for (const name of names(tables)) {
    if (name === 'properties') continue;
    const [row] = await query.select({ rows: count() }).from(tables[name]);
    if (row!.rows > 0) return false;
  }
  return true;
}

/** Removes all rows and notes that the copy is not finished: no server starts on it until it is. */
export async function markUnfinished(database: Database): Promise<void> {
  await clear(database);
  const { query, tables } = database;
  await query.insert(tables.properties).values({ name: unfinishedMove, value: new Date().toISOString() });
}

/** Removes the note that the copy is not finished. */
export async function markFinished({ query, tables }: Database): Promise<void> {
  await query.delete(tables.properties).where(eq(tables.properties.name, unfinishedMove));
}

/** Removes all rows. */
export async function clear({ atomically, tables }: Database): Promise<void> {
  await atomically((query) => names(tables).map((name) => query.delete(tables[name])));
}

/** Copies all rows in their order, as they are stored. */
export async function copyTables(from: Database, to: Database): Promise<void> {
  for (const name of names(from.tables))
    for await (const rows of rowsOf(from, from.tables[name], asStored)) {
      const columns = getTableColumns(to.tables[name]) as Readonly<Record<string, SQLiteColumn>>;
      await to.atomically((query) =>
        rows.map((row) => query.insert(to.tables[name]).values(rowFor(columns, row) as never)),
      );
    }
}

/** Reads JSON as its text: a damaged one is copied too. */
const asStored = (column: SQLiteColumn): SQL | SQLiteColumn => (isJson(column) ? sql`${column}` : column);

const rowFor = (columns: Readonly<Record<string, SQLiteColumn>>, row: Readonly<Record<string, unknown>>): object =>
  Object.fromEntries(
    Object.entries(row).map(([key, value]) => [key, isJson(columns[key]!) && value !== null ? sql`${value}` : value]),
  );

/** Returns whether a column has JSON as text, in either engine. */
const isJson = ({ columnType }: SQLiteColumn): boolean => /Json$|^PgCustomColumn$/.test(columnType);
