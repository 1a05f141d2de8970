import { Inject, Injectable, Logger, type OnApplicationBootstrap, type OnApplicationShutdown } from '@nestjs/common';
import { inArray, lt } from 'drizzle-orm';
import { DATABASE, type Database } from '../database/database.ts';
import { revisions } from '../database/schema.ts';
import { storageFailureOf } from '../database/storage-failure.ts';
import { thinned } from './thinned.ts';

const hour = 3_600_000;

/** Thins the histories at the start and once an hour. */
@Injectable()
export class HistoryThinning implements OnApplicationBootstrap, OnApplicationShutdown {
  private timer: NodeJS.Timeout | undefined;

  constructor(@Inject(DATABASE) private readonly database: Database) {}

  onApplicationBootstrap(): void {
    void this.thin();
    this.timer = setInterval(() => void this.thin(), hour).unref();
  }

  onApplicationShutdown(): void {
    clearInterval(this.timer);
  }

  async thin(now = new Date()): Promise<void> {
    try {
      const old = await this.database
        .select({
          entry: revisions.entry,
          kind: revisions.kind,
          documentId: revisions.documentId,
          savedAt: revisions.savedAt,
          aside: revisions.aside,
        })
        .from(revisions)
        .where(lt(revisions.savedAt, new Date(now.getTime() - 24 * hour).toISOString()));
      const gone = thinned(old, now);
      for (let at = 0; at < gone.length; at += 500)
        await this.database.delete(revisions).where(inArray(revisions.entry, gone.slice(at, at + 500)));
    } catch (error) {
      // A full or locked disk: the next hour tries again.
      new Logger('History').warn(`Not thinned: ${storageFailureOf(error)?.message ?? String(error)}.`);
    }
  }
}
