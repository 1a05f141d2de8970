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
import { copiesFolder, copyDatabase, copyName, keptCopies } from '../database/copies.ts';
import { connect, DATABASE, databaseFile, DATA_FOLDER, stagingFolder, type Database } from '../database/database.ts';
import { replaceContents } from '../database/replace-contents.ts';
import { jobs } from '../database/schema.ts';
import { StartFailure } from '../database/start-failure.ts';
import { storedContents } from '../database/stored-contents.ts';
import { Changes } from '../documents/changes.ts';
import { prepareBackup } from './prepare-backup.ts';

/**
 * Restores a backup while the server runs, in two steps: it is checked first, and what it has is told beside what is here; then it
 * takes the place of everything. One at a time waits; the next one that is checked takes its place.
 */
@Injectable()
export class Restoration {
  /** Id of the backup that was checked and waits. */
  #waiting: string | null = null;
  #isBusy = false;

  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(DATA_FOLDER) private readonly folder: string,
    @Inject(Changes) private readonly changes: Changes,
  ) {}

  /** The copies that the server made, the newest first. */
  copies(): KeptCopy[] {
    return keptCopies(this.folder);
  }

  /**
   * Checks a file that is being sent.
   *
   * @throws a refusal (400 not a sound backup, 409 another one is being checked or restored, 413 too large)
   */
  checkFile(sent: Readable): Promise<CheckedBackup> {
    return this.#check('The file', (stage) => pipeline(sent, limited(), createWriteStream(stage)).catch(brokenOff));
  }

  /** The same with one of the copies. @throws a refusal (404) if there is none of this name */
  async checkCopy(name: string): Promise<CheckedBackup> {
    const file = join(copiesFolder(this.folder), basename(name));
    if (!this.copies().some((copy) => copy.name === name) || !existsSync(file))
      throw new NotFoundException('There is no such copy. It may have been replaced by a newer one.');
    return this.#check('The copy', (stage) => Promise.resolve(copyFileSync(file, stage)));
  }

  /**
   * Replaces everything by the backup that waits. A copy of what it replaces is made before.
   *
   * @returns the name of that copy
   * @throws a refusal (404) if another one was checked since, or none
   */
  restore(id: string): Promise<{ readonly copy: string }> {
    return this.#alone(async () => {
      if (this.#waiting === null || id !== this.#waiting)
        throw new NotFoundException('This backup does not wait any more. Choose it again.');
      mkdirSync(copiesFolder(this.folder), { recursive: true });
      const copy = copyName(this.folder, 'before-restore');
      await copyDatabase(this.database.$client, join(copiesFolder(this.folder), copy));
      await replaceContents(this.database.$client, databaseFile(stagingFolder(this.folder)));
      this.#forget();
      await this.#announce();
      return { copy };
    });
  }

  /** Tells the pages: each job, for one that is open is asked for by its revision, and every list. */
  async #announce(): Promise<void> {
    for (const { id, revision } of await this.database.select({ id: jobs.id, revision: jobs.revision }).from(jobs))
      this.changes.announce({ kind: 'jobs', id, revision });
    for (const kind of documentKinds) this.changes.announce({ kind, id: null, revision: null });
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
        const contents = await storedContents(client).finally(() => client.close());
        this.#waiting = randomUUID();
        return { id: this.#waiting, contents, present: await storedContents(this.database.$client) };
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

/** A sender that goes away is no fault of the program. */
function brokenOff(error: Error & { readonly code?: string }): never {
  throw error.code === 'ECONNRESET' || error.code === 'ERR_STREAM_PREMATURE_CLOSE'
    ? new BadRequestException('The file did not arrive whole. Send it again.')
    : error;
}

/** Passes bytes on, up to what a backup may have. */
function limited(): Transform {
  let bytes = 0;
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      bytes += chunk.length;
      if (bytes > largestBackup)
        done(new PayloadTooLargeException('This is larger than 1 GB. Restore it with npm run restore.'));
      else done(null, chunk);
    },
  });
}
