import { mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { Inject, Injectable, Logger, type OnApplicationBootstrap, type OnApplicationShutdown } from '@nestjs/common';
import type { ScheduledCopiesState } from '@usual-drag/contract';
import { copyDatabase, stamp } from '../database/copies.ts';
import { DATABASE, type Database } from '../database/database.ts';

/** Where copies are made on schedule, and how often. */
export interface CopySchedule {
  readonly folder: string;
  readonly everyHours: number;
}

export const COPY_SCHEDULE = Symbol('copy schedule');

/** Copies that are kept in the second folder. */
const kept = 30;
const hour = 3_600_000;

/**
 * Copies everything into a second folder on schedule, as on another disk or on the network. A copy that is due is made soon after a
 * start; one that fails is tried again every hour.
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

  /** Null if no copies are made on schedule. */
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

  /** A timer may wait 24 days at the most; it looks again after a day then. */
  #wait(ms: number): void {
    if (!this.schedule) return;
    const { schedule } = this;
    this.#timer = setTimeout(() => void this.#copyIfDue(schedule), Math.min(ms, 24 * hour));
    this.#timer.unref();
  }
}

/** Names of the copies in a folder, the oldest first: their names sort by date. */
const copiesIn = (folder: string): string[] =>
  statSync(folder, { throwIfNoEntry: false })?.isDirectory()
    ? readdirSync(folder)
        .filter((name) => /^usual-drag-[\dTZ-]+\.backup$/.test(name))
        .sort()
    : [];

/** ms since 1970 of the newest copy; null if there is none. */
function newestIn(folder: string): number | null {
  const newest = copiesIn(folder).at(-1);
  return newest === undefined ? null : statSync(join(folder, newest)).mtimeMs;
}
