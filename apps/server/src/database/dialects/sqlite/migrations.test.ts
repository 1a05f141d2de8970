import { cpSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Client, InValue } from '@libsql/client';
import { newJob } from '@usual-drag/core/job';
import { drizzle } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import { newFolder } from '../../../test/running-server.ts';
import { automaticCopies } from './copies.ts';
import { connect, databaseFile, openSqlite } from './open-sqlite.ts';
import { migrationsFolder, stateOf } from './migrations.ts';
import * as schema from '../../schema.ts';

interface Journal {
  readonly entries: readonly { readonly tag: string }[];
}

const journal = JSON.parse(readFileSync(join(migrationsFolder, 'meta/_journal.json'), 'utf8')) as Journal;

/** A folder with the first migrations only, as an older version of the software had them. */
function migrationsUpTo(count: number): string {
  const folder = join(newFolder(), 'migrations');
  mkdirSync(join(folder, 'meta'), { recursive: true });
  const entries = journal.entries.slice(0, count);
  for (const { tag } of entries) cpSync(join(migrationsFolder, `${tag}.sql`), join(folder, `${tag}.sql`));
  writeFileSync(join(folder, 'meta/_journal.json'), JSON.stringify({ ...journal, entries }));
  return folder;
}

const job = newJob('Kept since version 1');
const instrument = { id: 'bench-meter', name: 'Bench meter', display: 'digital', functions: [] };
const at = '2026-02-03T04:05:06.000Z';

/** Values of a row by column; those whose column the table does not have yet are left out. */
async function insert(client: Client, table: string, values: Readonly<Record<string, InValue>>): Promise<boolean> {
  const { rows } = await client.execute(`pragma table_info(${table})`);
  const columns = rows.map(({ name }) => String(name)).filter((name) => name in values);
  if (columns.length === 0) return false;
  await client.execute({
    sql: `insert into ${table} (${columns.map((name) => `"${name}"`).join()}) values (${columns.map(() => '?').join()})`,
    args: columns.map((name) => values[name]!),
  });
  return true;
}

/** A folder of data that an older version has written; `has` lists its tables beside jobs and instruments. */
async function writtenBy(count: number): Promise<{ readonly folder: string; readonly has: ReadonlySet<string> }> {
  const folder = newFolder();
  const client = connect(databaseFile(folder));
  await migrate(drizzle(client), { migrationsFolder: migrationsUpTo(count) });
  const has = new Set<string>();
  const dates = { created_at: at, updated_at: at };
  await insert(client, 'jobs', { id: 'job-1', revision: 3, document: JSON.stringify(job), ...dates });
  await insert(client, 'instruments', {
    id: instrument.id,
    revision: 1,
    position: 0,
    document: JSON.stringify(instrument),
    ...dates,
  });
  const attempt = { id: 'a', person: 'N', kind: 'range', level: 1, seed: 7, right: 1, hints: 0, seconds: 9, at };
  if (await insert(client, 'attempts', attempt)) has.add('attempts');
  const signature = {
    ...{ job_id: 'job-1', revision: 3, hash: 'f'.repeat(64), signed_by: 'N', signed_at: at },
    ...{ sections: '[]', restored: '[]', kit: '{}', document: JSON.stringify(job) },
  };
  if (await insert(client, 'signatures', signature)) has.add('signatures');
  client.close();
  return { folder, has };
}

test.each(journal.entries.slice(0, -1).map(({ tag }, at) => [tag, at + 1] as const))(
  'a database of version %s is copied, brought up to date, and keeps everything',
  async (_tag, count) => {
    const { folder, has } = await writtenBy(count);
    const open = await openSqlite(folder);
    try {
      expect(await stateOf(open.file!.client)).toBe('current');
      expect(automaticCopies(folder)).not.toEqual([]);
      const [kept] = await open.database.query.select().from(schema.jobs);
      expect(kept).toMatchObject({ id: 'job-1', revision: 3, createdAt: at, updatedAt: at, archivedAt: null });
      expect(JSON.parse(kept!.document)).toEqual(job);
      const [meter] = await open.database.query.select().from(schema.instruments);
      expect(JSON.parse(meter!.document)).toEqual(instrument);
      expect(await open.database.query.select().from(schema.attempts)).toHaveLength(has.has('attempts') ? 1 : 0);
      const signatures = await open.database.query.select().from(schema.signatures);
      expect(signatures).toHaveLength(has.has('signatures') ? 1 : 0);
      for (const { seal } of signatures) expect(seal).toMatch(/^[0-9a-f]{64}$/);
    } finally {
      await open.close();
    }
  },
);

test('migrations are numbered without a gap, and each has its file', () => {
  expect(journal.entries.length).toBeGreaterThanOrEqual(7);
  journal.entries.forEach(({ tag }, k) => {
    expect(tag).toMatch(new RegExp(`^${String(k).padStart(4, '0')}_`));
    expect(readFileSync(join(migrationsFolder, `${tag}.sql`), 'utf8')).not.toBe('');
  });
});
