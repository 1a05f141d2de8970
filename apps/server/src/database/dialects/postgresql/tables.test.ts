import { getTableColumns, getTableName } from 'drizzle-orm';
import { getTableConfig, type PgTable } from 'drizzle-orm/pg-core';
import { getTableConfig as sqliteConfig } from 'drizzle-orm/sqlite-core';
import { tables } from '../../schema.ts';
import { postgresTables } from './tables.ts';

const derived = postgresTables as unknown as Readonly<Record<keyof typeof tables, PgTable>>;

test.each(Object.keys(tables) as (keyof typeof tables)[])('%s has the columns and indexes of the schema', (name) => {
  const [expected, config] = [sqliteConfig(tables[name]), getTableConfig(derived[name])];
  expect(config.name).toBe(getTableName(tables[name]));
  const described = (columns: readonly { name: string; notNull: boolean; primary: boolean }[]) =>
    columns.map(({ name: column, notNull, primary }) => [column, notNull, primary]);
  expect(described(config.columns.filter((column) => column.name !== 'rowid'))).toEqual(described(expected.columns));
  expect(config.indexes.map((index) => index.config.name)).toEqual(expected.indexes.map((index) => index.config.name));
});

test('numbers are wide enough for every whole number of JavaScript, and JSON stays text', () => {
  const types = Object.fromEntries(
    Object.entries(getTableColumns(derived.signatures)).map(([key, column]) => [key, column.getSQLType()]),
  );
  expect(types).toMatchObject({ entry: 'bigint', revision: 'bigint', sections: 'text', order: 'text' });
  expect(getTableColumns(derived.revisions)).toMatchObject({ aside: { columnType: 'PgBoolean' } });
  expect(getTableColumns(derived.attempts)).toMatchObject({ seconds: { columnType: 'PgDoublePrecision' } });
});
