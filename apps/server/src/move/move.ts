import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import type { StoredContents } from '@usual-drag/contract';
import { addressOf } from '../database/dialects/postgresql/address.ts';
import { hasConnectedServers } from '../database/dialects/postgresql/connected-servers.ts';
import type { Database } from '../database/database.ts';
import { openAnyState, openDatabase } from '../database/open-database.ts';
import { StartFailure } from '../database/start-failure.ts';
import { storageFailureOf } from '../database/storage-failure.ts';
import { storedContents } from '../database/stored-contents.ts';
import { clear, copyTables, isEmpty, markFinished, markUnfinished } from './copy-tables.ts';
import { differences } from './row-hashes.ts';

/** Place of an installation's data. */
interface Place {
  /** Folder or address without a password, for messages. */
  readonly name: string;
  readonly database: Database;
  close(): Promise<void>;
}

/**
 * Copies all data from one place to another one and compares every row there by its SHA-256. The first place stays as it is.
 *
 * @param from  data folder, or address of a PostgreSQL database
 * @param to  likewise, without data
 * @returns the result in a sentence
 * @throws StartFailure if a server uses one of them, the second one has data, or anything could not be copied; the second one is
 *   then empty
 */
export async function move(from: string, to: string): Promise<string> {
  const source = await open(from, openDatabase);
  try {
    const target = await open(to, openAnyState);
    try {
      return await copy(source, target);
    } finally {
      await target.close();
    }
  } finally {
    await source.close();
  }
}

async function copy(source: Place, target: Place): Promise<string> {
  if (!(await isEmpty(target.database)))
    throw new StartFailure(`${target.name} has data already. Name a new folder, or an empty database.`);
  const notMoved = (why: string): StartFailure =>
    new StartFailure(`${source.name} was not moved: ${why}. ${target.name} is empty again.`);
  await markUnfinished(target.database);
  try {
    await copyTables(source.database, target.database);
    const different = await differences(source.database, target.database);
    if (different.length > 0) throw notMoved(`${different.join(', ')} cannot be stored there unchanged`);
    await target.database.continueNumbering();
    await markFinished(target.database);
  } catch (error) {
    await clear(target.database);
    const failure = storageFailureOf(error);
    throw failure ? notMoved(failure.message) : error;
  }
  const contents = await storedContents(target.database);
  return `${source.name} was copied to ${target.name}: ${counts(contents)}. Every row there has the same SHA-256. ${source.name} was not changed.`;
}

const counts = ({ jobs, instruments, meterProjects, signatures, attempts }: StoredContents): string =>
  `${jobs} jobs, ${instruments} instruments, ${meterProjects} meter projects, ${signatures} signatures, ${attempts} attempts, with their histories`;

/** @param openAs  refuses the place or not if an earlier move to it was not finished */
async function open(place: string, openAs: typeof openAnyState): Promise<Place> {
  const isServer = /^postgres(ql)?:/.test(place);
  // A database server requires a folder only for its lock.
  const folder = isServer ? mkdtempSync(join(tmpdir(), 'usual-drag-move-')) : resolve(place);
  if (isServer && (await hasConnectedServers(place)))
    throw new StartFailure(`A server uses ${addressOf(place)}. End it and move again.`);
  const { database, close } = await openAs(isServer ? place : null, folder);
  return {
    name: database.address ?? folder,
    database,
    close: async () => {
      await close();
      if (isServer) rmSync(folder, { recursive: true });
    },
  };
}
