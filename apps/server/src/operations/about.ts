import { readdirSync, statSync } from 'node:fs';
import { release } from 'node:os';
import { join } from 'node:path';
import { Inject, Injectable } from '@nestjs/common';
import type { AboutAnswer } from '@usual-drag/contract';
import { keptCopies } from '../database/dialects/sqlite/copies.ts';
import { DATABASE, DATA_FOLDER, UPGRADE, type Database, type Upgrade } from '../database/database.ts';
import { storedContents } from '../database/stored-contents.ts';
import { lastLines } from '../http/log-file.ts';
import { commandLine, startForDevices } from '../program.ts';
import { version } from '../version.ts';
import { freeSpace } from './free-space.ts';
import { ScheduledCopies } from './scheduled-copies.ts';
import { upgradeWords } from './upgrade-words.ts';
import { Warnings } from './warnings.ts';

/** Lines of the log in a report for support. */
const reportedLines = 300;

/** Describes this installation: its version, its data and their copies. */
@Injectable()
export class About {
  readonly #startedAt = new Date().toISOString();

  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(DATA_FOLDER) private readonly folder: string,
    @Inject(UPGRADE) private readonly upgrade: Upgrade | null,
    @Inject(ScheduledCopies) private readonly copies: ScheduledCopies,
    @Inject(Warnings) private readonly warnings: Warnings,
  ) {}

  async read(): Promise<AboutAnswer> {
    const { engine, schema, address } = this.database;
    return {
      version,
      schema,
      runsOn: {
        engine: `${engine} ${await this.database.version()}`,
        node: process.versions.node,
        system: `${process.platform} ${process.arch} ${release()}`,
      },
      startedAt: this.#startedAt,
      data: {
        folder: this.folder,
        server: address,
        databaseBytes: await this.database.bytes(),
        folderBytes: bytesIn(this.folder),
        freeBytes: await freeSpace(this.folder),
      },
      lastCopy: keptCopies(this.folder)[0] ?? null,
      scheduledCopies: this.copies.state(),
      warnings: await this.warnings.now(),
      upgrade: this.upgrade && upgradeWords(this.upgrade),
      commands: { restore: commandLine('restore', 'FILE'), startForDevices: startForDevices() },
    };
  }

  /** Returns the report for support: this installation, counts of documents and the last lines of the log, without job contents. */
  async report(): Promise<string> {
    const contents = await storedContents(this.database);
    const parts = { ...(await this.read()), contents, log: lastLines(this.folder, reportedLines) };
    return `${JSON.stringify(parts, null, 2)}\n`;
  }
}

/** Returns the bytes of all files below a folder; a file that is deleted meanwhile counts as empty. */
function bytesIn(folder: string): number {
  return readdirSync(folder, { withFileTypes: true, recursive: true })
    .filter((entry) => entry.isFile())
    .reduce(
      (sum, { parentPath, name }) => sum + (statSync(join(parentPath, name), { throwIfNoEntry: false })?.size ?? 0),
      0,
    );
}
