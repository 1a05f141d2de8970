import { Client } from 'pg';
import { addressOf } from './address.ts';
import { connectFailure } from './connect-failure.ts';

/** Name by which the database knows the connections of Usual Drag. */
export const applicationName = 'usual-drag';

/** Returns whether a server of Usual Drag is connected to a database. @throws StartFailure if the database does not answer */
export async function hasConnectedServers(url: string): Promise<boolean> {
  const client = new Client({ connectionString: url });
  await client.connect().catch((error: unknown) => {
    throw connectFailure(error, addressOf(url));
  });
  try {
    const { rows } = await client.query(
      'select from pg_stat_activity where datname = current_database() and application_name = $1',
      [applicationName],
    );
    return rows.length > 0;
  } finally {
    await client.end();
  }
}
