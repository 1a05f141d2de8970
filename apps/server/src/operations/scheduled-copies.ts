import { mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { Inject, Injectable, Logger, type OnApplicationBootstrap, type OnApplicationShutdown } from '@nestjs/common';
import type { ScheduledCopiesState } from '@usual-drag/contract';
import { copyDatabase, stamp } from '../database/copies.ts';
import { DATABASE, type Database } from '../database/database.ts';

/** Folder and interval of the copies on schedule. */
export interface CopySchedule {
  readonly folder: string;
  readonly everyHours: number;
}

export const COPY_SCHEDULE = Symbol('copy schedule');

/** Copies that are kept in the second folder. */
const kept = 30;
const hour = 3_600_000;

/**
 * Copies the database into a second folder on schedule, for example on another disk or on the network. A copy that is due is made
 * one second after a start. After a failure the next attempt follows within an hour.
 */
@Injectable()
export class ScheduledCopies implements OnApplicationBootstrap, OnApplicationShutdown {
  readonly #logger = new Logger('Copies');
  #timer: NodeJS.Timeout | null = null;
  #failure: string | null = null;

  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(COPY_SCHEDULE) private readonly schedule: CopySchedule | null,
  ) {}

  onApplicationBootstrap(): void {
    if (this.schedule) this.#wait(1000);
  }

  onApplicationShutdown(): void {
    if (this.#timer) clearTimeout(this.#timer);
  }

  /** Returns the age and the last failure of the copies; null if none are made on schedule. */
  state(now = Date.now()): ScheduledCopiesState | null {
    if (!this.schedule) return null;
    const { folder, everyHours } = this.schedule;
    const last = newestIn(folder);
    return {
      folder,
      everyHours,
      lastAt: last === null ? null : new Date(last).toISOString(),
      isOverdue: last === null ? this.#failure !== null : now - last > 1.5 * everyHours * hour,
      failure: this.#failure,
    };
  }

  async #copyIfDue({ folder, everyHours }: CopySchedule): Promise<void> {
    try {
      const due = (newestIn(folder) ?? 0) + everyHours * hour - Date.now();
      if (due > 0) return this.#wait(due);
      mkdirSync(folder, { recursive: true });
      await copyDatabase(this.database.$client, join(folder, `usual-drag-${stamp()}.backup`));
      const all = copiesIn(folder);
      for (const name of all.slice(0, Math.max(0, all.length - kept))) rmSync(join(folder, name));
      this.#failure = null;
      this.#wait(everyHours * hour);
    } catch (error) {
      this.#failure = (error as Error).message;
      this.#logger.warn(`No copy was made in ${folder}: ${this.#failure}`);
      this.#wait(Math.min(hour, everyHours * hour));
    }
  }

  /** Waits a day at most: a timer of more than 24 days would end at once. */
  #wait(ms: number): void {
    if (!this.schedule) return;
    const { schedule } = this;
    this.#timer = setTimeout(() => void this.#copyIfDue(schedule), Math.min(ms, 24 * hour));
    this.#timer.unref();
  }
}

/** Returns the names of the copies in a folder, the oldest first: the names sort by date. */
const copiesIn = (folder: string): string[] =>
  statSync(folder, { throwIfNoEntry: false })?.isDirectory()
    ? readdirSync(folder)
        .filter((name) => /^usual-drag-[\dTZ-]+\.backup$/.test(name))
        .sort()
    : [];

/** Returns the time of the newest copy, ms since 1970; null if there is none. */
function newestIn(folder: string): number | null {
  const newest = copiesIn(folder).at(-1);
  return newest === undefined ? null : statSync(join(folder, newest)).mtimeMs;
}
