import type { Client } from '@libsql/client';
import { getTableColumns, getTableName } from 'drizzle-orm';
import {
  attempts,
  instruments,
  jobs,
  jobSummaries,
  meterProjects,
  orderSequences,
  properties,
  revisions,
  signatures,
} from '../../schema.ts';

const documentTables = [jobs, instruments, meterProjects];
const otherTables = [revisions, attempts, signatures, orderSequences, jobSummaries];

/** Properties of this installation that no backup replaces: who is signed in, and who was signed out. */
const ownProperties = ['session-salt', 'device-key', 'ended-session/%'];

/** A statement has changed the database since its contents were counted. */
export class ChangedMeanwhile extends Error {}

/** Returns the number of rows that the connection has changed so far, to detect later changes by. */
export async function changesSoFar(client: Client): Promise<number> {
  const { rows } = await client.execute('select total_changes() as changes');
  return Number(rows[0]!.changes);
}

/**
 * Replaces the contents of an open database with those of another one in a single transaction.
 *
 * A document that differs from the present one gets a revision above both. Pages that have the present one open then load the
 * restored one, and an edit of the present one is not accepted as an edit of the restored one. Sessions of devices are kept.
 *
 * @param client  of the open database
 * @param from  path of a database with the same schema, which must not be open
 * @param changes  `changesSoFar` from before the present contents were copied
 * @throws ChangedMeanwhile if anything was written since then; nothing is replaced
 */
export async function replaceContents(client: Client, from: string, changes: number): Promise<void> {
  const script = replacement(from, changes);
  await client.executeMultiple(script).catch((error: unknown) => {
    throw String(error).includes(guard) ? new ChangedMeanwhile() : error;
  });
}

/** Name of the constraint that fails if there were changes. */
const guard = 'no_changes_since_the_copy';

/** One script, run without yielding: no other statement of this connection comes between the check and the replacement. */
const replacement = (from: string, changes: number): string =>
  [
    `create temp table unchanged (holds integer constraint ${guard} check (holds))`,
    `insert into unchanged select total_changes() = ${changes}`,
    'drop table unchanged',
    `attach ${quoted(from)} as restored`,
    'begin immediate',
    ...documentTables.flatMap(replacedDocuments),
    ...otherTables.flatMap((table) => [`delete from main.${getTableName(table)}`, `${copied(table)} order by rowid`]),
    `delete from main.${getTableName(properties)} where ${isOther}`,
    `${copied(properties)} where ${isOther}`,
    'commit',
    'detach restored',
  ].join(';\n');

/** Converts a text to a literal of SQL. */
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
