import { join } from 'node:path';
import { Client } from 'pg';
import { connect } from '../database/dialects/sqlite/open-sqlite.ts';
import { isOnPostgres, testDatabaseUrl } from './test-database.ts';

/** Changes what is stored, as damage would; no server may be running on it. @param statement  with one parameter, `$1`, or none */
export async function changeStored(folder: string, statement: string, value?: string | Uint8Array): Promise<void> {
  const values = value === undefined ? [] : [value];
  if (isOnPostgres()) {
    const client = new Client({ connectionString: testDatabaseUrl(folder) });
    await client.connect();
    await client.query(statement, values);
    return client.end();
  }
  const client = connect(join(folder, 'usual-drag.sqlite'));
  await client.execute({ sql: statement.replace('$1', '?'), args: values });
  client.close();
}
