import { asc, getTableColumns, gt, sql, type SQL } from 'drizzle-orm';
import type { SQLiteColumn } from 'drizzle-orm/sqlite-core';
import type { Database } from '../database/database.ts';
import type { Tables } from '../database/schema.ts';

/** Rows that are read at a time; one with a document takes up to 4 MB. */
const page = 50;

export type Row = Readonly<Record<string, unknown>>;

/**
 * Reads the rows of a table in the order in which they were made, some at a time. The columns are those of the schema.
 *
 * @param as  returns the expression by which a column is read
 */
export async function* rowsOf(
  { query }: Database,
  table: Tables[keyof Tables],
  as: (column: SQLiteColumn) => SQL | SQLiteColumn,
): AsyncGenerator<Row[]> {
  const { rowid: _own, ...columns } = getTableColumns(table) as Readonly<Record<string, SQLiteColumn>>;
  const key = keyOf(columns);
  const selected = Object.fromEntries(Object.entries(columns).map(([name, column]) => [name, as(column)]));
  for (let after: unknown; ;) {
    const rows: Row[] = await query
      .select({ ...selected, [position]: key })
      .from(table)
      .where(after === undefined ? undefined : gt(key, after))
      .orderBy(asc(key))
      .limit(page);
    if (rows.length > 0) yield rows.map(({ [position]: _position, ...row }) => row);
    if (rows.length < page) return;
    after = rows.at(-1)![position];
  }
}

const position = 'position of the row';

/** Returns the order of the rows: that of documents is the one in which they were made, that of others the one of their keys. */
function keyOf(columns: Readonly<Record<string, SQLiteColumn>>): SQL {
  if (columns.createdAt) return sql`rowid`;
  return sql`${Object.values(columns).find(({ primary }) => primary)}`;
}
