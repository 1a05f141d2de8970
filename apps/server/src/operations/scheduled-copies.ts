import { mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { Inject, Injectable, Logger, type OnApplicationBootstrap, type OnApplicationShutdown } from '@nestjs/common';
import type { ScheduledCopiesState } from '@usual-drag/contract';
import { copyDatabase, stamp } from '../database/dialects/sqlite/copies.ts';
import { DATABASE_FILE, type DatabaseFile } from '../database/database.ts';
import { copiesIn, copiesState, hour, newestIn, type CopySchedule } from './copy-schedule.ts';

export const COPY_SCHEDULE = Symbol('copy schedule');

/** Copies that are kept in the second folder. */
const kept = 30;

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
    @Inject(DATABASE_FILE) private readonly file: DatabaseFile | null,
    @Inject(COPY_SCHEDULE) private readonly schedule: CopySchedule | null,
  ) {}

  onApplicationBootstrap(): void {
    this.#wait(1000);
  }

  onApplicationShutdown(): void {
    if (this.#timer) clearTimeout(this.#timer);
  }

  /** Returns the age and the last failure of the copies; null if none are made on schedule. */
  state(): ScheduledCopiesState | null {
    return this.schedule && copiesState(this.schedule, this.#failure, Date.now());
  }

  async #copyIfDue({ folder, everyHours }: CopySchedule, file: DatabaseFile): Promise<void> {
    try {
      const due = (newestIn(folder) ?? 0) + everyHours * hour - Date.now();
      if (due > 0) return this.#wait(due);
      mkdirSync(folder, { recursive: true });
      await copyDatabase(file.client, join(folder, `usual-drag-${stamp()}.backup`));
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
    const { schedule, file } = this;
    if (!schedule || !file) return;
    this.#timer = setTimeout(() => void this.#copyIfDue(schedule, file), Math.min(ms, 24 * hour));
    this.#timer.unref();
  }
}
