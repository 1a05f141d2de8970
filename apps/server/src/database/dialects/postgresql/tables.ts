import { getTableColumns } from 'drizzle-orm';
import {
  bigint,
  boolean,
  customType,
  doublePrecision,
  index,
  pgTable,
  text,
  type PgColumnBuilderBase,
} from 'drizzle-orm/pg-core';
import { getTableConfig, type SQLiteColumn, type SQLiteTable } from 'drizzle-orm/sqlite-core';
import { tables, type Tables } from '../../schema.ts';

/** Tables in which the order of insertion counts. SQLite numbers their rows itself, as `rowid`. */
const numbered: readonly SQLiteTable[] = [tables.jobs, tables.instruments, tables.meterProjects];

/** JSON in a column of text, so that what is stored stays as it is, byte for byte. */
const jsonText = customType<{ data: unknown; driverData: string }>({
  dataType: () => 'text',
  toDriver: (value) => JSON.stringify(value),
  fromDriver: (stored) => JSON.parse(stored),
});

/** Column of PostgreSQL for each type of column in the schema. */
const columnTypes = {
  SQLiteText: (name: string) => text(name),
  SQLiteTextJson: (name: string) => jsonText(name),
  SQLiteInteger: (name: string) => bigint(name, { mode: 'number' }),
  SQLiteBoolean: (name: string) => boolean(name),
  SQLiteReal: (name: string) => doublePrecision(name),
};

/** Returns the table of PostgreSQL with the columns and indexes of one in the schema. */
function postgresTable(table: SQLiteTable) {
  const { name, indexes } = getTableConfig(table);
  const columns = Object.entries(getTableColumns(table)).map(([key, column]) => [
    key,
    columnOf(column as SQLiteColumn),
  ]);
  if (numbered.includes(table))
    columns.push(['rowid', bigint('rowid', { mode: 'number' }).notNull().generatedByDefaultAsIdentity()]);
  return pgTable(name, Object.fromEntries(columns) as Record<string, PgColumnBuilderBase>, (own) =>
    indexes.map(({ config }) => {
      const [first, ...others] = config.columns.map((column) => byName(own, (column as SQLiteColumn).name));
      return index(config.name).on(first!, ...others);
    }),
  );
}

/** The tables of PostgreSQL. Statements are typed by those of SQLite. */
export const postgresTables = Object.fromEntries(
  Object.entries(tables).map(([key, table]) => [key, postgresTable(table)]),
) as unknown as Tables;

function columnOf(column: SQLiteColumn) {
  const make = columnTypes[column.columnType as keyof typeof columnTypes];
  const { autoIncrement } = column as { readonly autoIncrement?: boolean };
  if (autoIncrement) return bigint(column.name, { mode: 'number' }).primaryKey().generatedByDefaultAsIdentity();
  const builder = make(column.name);
  if (column.notNull) builder.notNull();
  if (column.default !== undefined) builder.default(column.default as never);
  if (column.primary) builder.primaryKey();
  if (column.isUnique) builder.unique();
  return builder;
}

const byName = <C extends { readonly name: string }>(columns: Readonly<Record<string, C>>, name: string): C =>
  Object.values(columns).find((column) => column.name === name)!;
