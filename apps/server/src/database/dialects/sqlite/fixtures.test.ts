import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { readJob } from '@usual-drag/contract';
import { restore } from '../../../backup/restore.ts';
import { upgradeWords } from '../../../operations/upgrade-words.ts';
import { newFolder } from '../../../test/running-server.ts';
import { connect, databaseFile, openSqlite } from './open-sqlite.ts';
import { migrationsFolder, stateOf } from './migrations.ts';

/** Databases as the software itself wrote them when each schema was the newest: the demo of that day, one job edited. */
const fixtures = join(__dirname, 'fixtures');
const tags = readdirSync(migrationsFolder)
  .flatMap((name) => (name.endsWith('.sql') ? [name.replace('.sql', '')] : []))
  .sort();

/** Documents of every job in a database file, by id, as they are stored. */
async function jobsIn(file: string): Promise<Record<string, string>> {
  const client = connect(file);
  try {
    const { rows } = await client.execute('select id, document from jobs order by id');
    return Object.fromEntries(rows.map(({ id, document }) => [String(id), String(document)]));
  } finally {
    client.close();
  }
}

test('there is a database of every schema but the present one', () => {
  expect(tags.length).toBeGreaterThanOrEqual(8);
  expect(readdirSync(fixtures).sort()).toEqual(tags.slice(0, -1).map((tag) => `${tag}.sqlite.gz`));
});

test.each(tags.slice(0, -1))('data of %s are upgraded, reported, readable, and the upgrade is undone', async (tag) => {
  const folder = newFolder();
  const file = databaseFile(folder);
  writeFileSync(file, gunzipSync(readFileSync(join(fixtures, `${tag}.sqlite.gz`))));
  const before = await jobsIn(file);
  expect(Object.keys(before).length).toBeGreaterThanOrEqual(5);
  expect(Object.values(before).some((document) => document.includes(`Edited with ${tag}`))).toBe(true);

  const { file: opened, upgrade, warnings, close } = await openSqlite(folder);
  expect(warnings).toEqual([]);
  expect(upgrade).toMatchObject({
    from: tag,
    added: expect.arrayContaining(['orders of several circuits']) as string[],
  });
  // No name of a migration is shown to a person.
  expect(upgrade!.added.join()).not.toMatch(/\d{4}_/);
  expect(upgradeWords(upgrade!)).toMatch(
    /^The data were upgraded for .* To undo the upgrade, .*npm run restore -- \S+$/,
  );
  expect(await stateOf(opened!.client)).toBe('current');
  for (const document of Object.values(before)) expect(readJob(document).ok).toBe(true);
  await opened!.client.execute("update jobs set document = '{}'");
  await close();

  expect(existsSync(upgrade!.copy)).toBe(true);
  expect(await jobsIn(upgrade!.copy)).toEqual(before);
  await restore(folder, upgrade!.copy);
  expect(await jobsIn(file)).toEqual(before);
});
