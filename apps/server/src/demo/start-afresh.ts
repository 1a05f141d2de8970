import { existsSync, mkdirSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { copiesFolder, copyName } from '../database/dialects/sqlite/copies.ts';
import { connect, databaseFile } from '../database/dialects/sqlite/open-sqlite.ts';
import { StartFailure } from '../database/start-failure.ts';
import { madeByDemo } from './made-by-demo.ts';

/**
 * Moves the demo's database away, so that the samples are new; a copy of it stays in the folder of copies.
 *
 * @param folder  held by this process, nothing in it open
 * @throws StartFailure if the database is not the demo's own
 */
export async function startAfresh(folder: string): Promise<void> {
  const file = databaseFile(folder);
  if (!existsSync(file)) return;
  if (!(await isMadeByDemo(file)))
    throw new StartFailure(
      `${file} was not made by the demo and is left alone. Start without --fresh, or name another folder in USUAL_DRAG_DATA.`,
    );
  const copies = copiesFolder(folder);
  mkdirSync(copies, { recursive: true });
  renameSync(file, join(copies, copyName(folder, 'before-fresh')));
  for (const rest of ['-wal', '-shm']) rmSync(file + rest, { force: true });
}

async function isMadeByDemo(file: string): Promise<boolean> {
  const client = connect(file);
  try {
    const { rows } = await client.execute({
      sql: 'select 1 from properties where name = ? and value = ?',
      args: [madeByDemo.name, madeByDemo.value],
    });
    // What lies in the log beside it goes into the file before that is moved.
    await client.execute('pragma wal_checkpoint(truncate)');
    return rows.length > 0;
  } catch {
    return false;
  } finally {
    client.close();
  }
}
