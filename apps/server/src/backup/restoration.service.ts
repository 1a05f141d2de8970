import { randomUUID } from 'node:crypto';
import { copyFileSync, createWriteStream, existsSync, mkdirSync, rmSync } from 'node:fs';
import { basename, join } from 'node:path';
import { Transform, type Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import {
  BadRequestException,
  ConflictException,
  Inject,
  Injectable,
  NotFoundException,
  PayloadTooLargeException,
} from '@nestjs/common';
import { documentKinds, largestBackup, type CheckedBackup, type KeptCopy } from '@usual-drag/contract';
import { copiesFolder, copyDatabase, copyName, keptCopies } from '../database/dialects/sqlite/copies.ts';
import { DATABASE, DATABASE_FILE, DATA_FOLDER, type Database, type DatabaseFile } from '../database/database.ts';
import { connect, databaseFile, stagingFolder } from '../database/dialects/sqlite/open-sqlite.ts';
import { ChangedMeanwhile, changesSoFar, replaceContents } from '../database/dialects/sqlite/replace-contents.ts';
import { sqliteDatabase } from '../database/dialects/sqlite/sqlite-database.ts';
import { StartFailure } from '../database/start-failure.ts';
import { storedContents } from '../database/stored-contents.ts';
import { Repositories } from '../documents/repositories.ts';
import { commandLine } from '../program.ts';
import { prepareBackup } from './prepare-backup.ts';

/**
 * Restores a backup while the server runs, in two steps: the backup is checked and its contents are returned beside the present
 * ones; then it replaces them. One checked backup is kept at a time; checking another one discards it.
 */
@Injectable()
export class Restoration {
  /** Id of the checked backup; null if there is none. */
  #waiting: string | null = null;
  #isBusy = false;

  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(DATABASE_FILE) private readonly file: DatabaseFile,
    @Inject(DATA_FOLDER) private readonly folder: string,
    @Inject(Repositories) private readonly repositories: Repositories,
  ) {}

  /** The copies that the server made, the newest first. */
  copies(): KeptCopy[] {
    return keptCopies(this.folder);
  }

  /**
   * Checks a backup as it is uploaded.
   *
   * @throws a refusal (400 not a sound backup, 409 another one is being checked or restored, 413 too large)
   */
  checkFile(sent: Readable): Promise<CheckedBackup> {
    return this.#check('The file', (stage) => pipeline(sent, limited(), createWriteStream(stage)).catch(brokenOff));
  }

  /** Checks one of the copies. @throws a refusal (404) if there is none of this name */
  async checkCopy(name: string): Promise<CheckedBackup> {
    const file = join(copiesFolder(this.folder), basename(name));
    if (!this.copies().some((copy) => copy.name === name) || !existsSync(file))
      throw new NotFoundException('There is no copy of this name: newer ones may have replaced it. Reload the page.');
    return this.#check('The copy', (stage) => Promise.resolve(copyFileSync(file, stage)));
  }

  /**
   * Replaces everything with the checked backup, after copying the present contents.
   *
   * @returns the name of that copy
   * @throws a refusal (404 this backup is not the checked one, 409 others save without a pause)
   */
  restore(id: string): Promise<{ readonly copy: string }> {
    return this.#alone(async () => {
      if (this.#waiting === null || id !== this.#waiting)
        throw new NotFoundException('This backup is no longer checked. Choose it again.');
      const copy = await this.#replace(databaseFile(stagingFolder(this.folder)));
      this.#forget();
      await this.#announce();
      return { copy };
    });
  }

  /**
   * Copies the present contents and replaces them. A save that was confirmed after the copy would be in neither: a new copy is made
   * then.
   *
   * @returns the name of the copy
   */
  async #replace(from: string): Promise<string> {
    const { client } = this.file;
    mkdirSync(copiesFolder(this.folder), { recursive: true });
    for (let attempt = 1; attempt <= mostAttempts; attempt += 1) {
      const name = copyName(this.folder, 'before-restore');
      const copy = join(copiesFolder(this.folder), name);
      const changes = await changesSoFar(client);
      await copyDatabase(client, copy);
      try {
        await replaceContents(client, from, changes);
        for (const repository of this.repositories.all) repository.forgetRecent();
        return name;
      } catch (error) {
        rmSync(copy);
        if (!(error instanceof ChangedMeanwhile)) throw error;
      }
    }
    throw new ConflictException('Others are saving all the time. Nothing was replaced. Try again when fewer do.');
  }

  /** Announces each job with its revision, which pages that have it open need, and every list. */
  async #announce(): Promise<void> {
    const { query, tables } = this.database;
    const { jobs } = tables;
    for (const { id, revision } of await query.select({ id: jobs.id, revision: jobs.revision }).from(jobs))
      this.repositories.changes.announce({ kind: 'jobs', id, revision });
    for (const kind of documentKinds) this.repositories.changes.announce({ kind, id: null, revision: null });
  }

  #check(name: string, write: (file: string) => Promise<void>): Promise<CheckedBackup> {
    return this.#alone(async () => {
      this.#forget();
      const stage = stagingFolder(this.folder);
      mkdirSync(stage);
      const file = databaseFile(stage);
      try {
        await write(file);
        await prepareBackup(file, name);
        const client = connect(file);
        const contents = await storedContents(sqliteDatabase(client, file)).finally(() => client.close());
        this.#waiting = randomUUID();
        return { id: this.#waiting, contents, present: await storedContents(this.database) };
      } catch (error) {
        this.#forget();
        throw error instanceof StartFailure ? new BadRequestException(error.message) : error;
      }
    });
  }

  #forget(): void {
    this.#waiting = null;
    rmSync(stagingFolder(this.folder), { recursive: true, force: true });
  }

  async #alone<T>(work: () => Promise<T>): Promise<T> {
    if (this.#isBusy) throw new ConflictException('Another backup is being checked or restored. Try again when it is.');
    this.#isBusy = true;
    try {
      return await work();
    } finally {
      this.#isBusy = false;
    }
  }
}

/** Copies that are made until nothing was saved during one. */
const mostAttempts = 20;

/** Refuses an upload whose connection was closed early; rethrows any other error. */
function brokenOff(error: Error & { readonly code?: string }): never {
  throw error.code === 'ECONNRESET' || error.code === 'ERR_STREAM_PREMATURE_CLOSE'
    ? new BadRequestException('The file did not arrive whole. Send it again.')
    : error;
}

/** Passes bytes through and fails above `largestBackup`. */
function limited(): Transform {
  let bytes = 0;
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      bytes += chunk.length;
      if (bytes > largestBackup)
        done(
          new PayloadTooLargeException(`This is larger than 1 GB. Restore it with ${commandLine('restore', 'FILE')}.`),
        );
      else done(null, chunk);
    },
  });
}
