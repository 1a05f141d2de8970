import { existsSync } from 'node:fs';
import { copyDatabase } from '../database/dialects/sqlite/copies.ts';
import { connect, databaseFile } from '../database/dialects/sqlite/open-sqlite.ts';
import { keepPrivate } from '../database/private-files.ts';
import { StartFailure } from '../database/start-failure.ts';
import { storageFailureOf } from '../database/storage-failure.ts';

/**
 * Writes everything of a folder into one new file, of one moment, whether a server is using it or not.
 *
 * @returns what was done, in a sentence
 * @throws StartFailure if there is nothing to back up, the file is there already, or it cannot be written
 */
export async function backup(folder: string, to: string): Promise<string> {
  const file = databaseFile(folder);
  if (!existsSync(file))
    throw new StartFailure(
      `There is no database in ${folder}. Name its folder in USUAL_DRAG_DATA; the demo's is data/demo.`,
    );
  if (existsSync(to)) throw new StartFailure(`${to} is there already. Name a new file.`);
  keepPrivate(folder);
  const client = connect(file);
  try {
    await copyDatabase(client, to);
    const { rows } = await client.execute('select count(*) as jobs from jobs');
    return `${folder} is backed up in ${to}: ${String(rows[0]!.jobs)} jobs, the kit and the workshop, with their histories.`;
  } catch (error) {
    const failure = storageFailureOf(error);
    throw failure ? new StartFailure(`${to} cannot be written: ${failure.message}.`) : error;
  } finally {
    client.close();
  }
}
