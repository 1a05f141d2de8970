import type { Client } from '@libsql/client';
import { getTableColumns, getTableName } from 'drizzle-orm';
import {
  attempts,
  instruments,
  jobs,
  jobSummaries,
  meterProjects,
  properties,
  revisions,
  signatures,
} from './schema.ts';

const documentTables = [jobs, instruments, meterProjects];
const otherTables = [revisions, attempts, signatures, jobSummaries];

/** Properties of this installation that no backup replaces: who is signed in, and who was signed out. */
const ownProperties = ['session-salt', 'device-key', 'ended-session/%'];

/**
 * Replaces everything in an open database by what another one has, in one transaction: all of it, or nothing if it fails.
 *
 * A document that is not as it was gets a revision above both, so that a page that has the former one open sees a newer version,
 * and an edit that was begun on the former one is never taken for an edit of this one. Sessions of devices stay.
 *
 * @param client  of the database that is open
 * @param from  path of a database with the same schema, which must not be open
 */
export async function replaceContents(client: Client, from: string): Promise<void> {
  await client.executeMultiple(
    [
      `attach ${quoted(from)} as restored`,
      'begin immediate',
      ...documentTables.flatMap(replacedDocuments),
      ...otherTables.flatMap((table) => [`delete from main.${getTableName(table)}`, `${copied(table)} order by rowid`]),
      `delete from main.${getTableName(properties)} where ${isOther}`,
      `${copied(properties)} where ${isOther}`,
      'commit',
      'detach restored',
    ].join(';\n'),
  );
}

/** As a literal of SQL. */
const quoted = (text: string): string => `'${text.replaceAll("'", "''")}'`;

const isOther = ownProperties.map((name) => `name not like ${quoted(name)}`).join(' and ');

type Table = (typeof documentTables)[number] | (typeof otherTables)[number] | typeof properties;

const columnsOf = (table: Table): string =>
  Object.values(getTableColumns(table))
    .map(({ name }) => `"${name}"`)
    .join(', ');

const copied = (table: Table): string =>
  `insert into main.${getTableName(table)} (${columnsOf(table)}) select ${columnsOf(table)} from restored.${getTableName(table)}`;

function replacedDocuments(table: (typeof documentTables)[number]): string[] {
  const name = getTableName(table);
  return [
    `create temp table former as select id, revision, document from main.${name}`,
    `delete from main.${name}`,
    `${copied(table)} order by rowid`,
    `update main.${name} as present set revision = max(present.revision, former.revision) + 1 from former
       where former.id = present.id and (former.revision, former.document) is not (present.revision, present.document)`,
    'drop table former',
  ];
}
