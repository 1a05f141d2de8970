import { Inject, Injectable, Logger, type OnApplicationBootstrap, type OnApplicationShutdown } from '@nestjs/common';
import { and, eq, inArray } from 'drizzle-orm';
import { DATABASE, type Database } from '../database/database.ts';
import { storageFailureOf } from '../database/storage-failure.ts';
import { slices } from '../work/slices.ts';
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

  async thin(): Promise<void> {
    const { query, tables } = this.database;
    const { revisions } = tables;
    try {
      const documents = await query
        .selectDistinct({ kind: revisions.kind, documentId: revisions.documentId })
        .from(revisions);
      const breathe = slices();
      for (const { kind, documentId } of documents) {
        const versions = await query
          .select({ entry: revisions.entry, savedAt: revisions.savedAt, aside: revisions.aside })
          .from(revisions)
          .where(and(eq(revisions.kind, kind), eq(revisions.documentId, documentId)));
        const gone = thinned(versions);
        for (let at = 0; at < gone.length; at += 500)
          await query.delete(revisions).where(inArray(revisions.entry, gone.slice(at, at + 500)));
        await breathe();
      }
    } catch (error) {
      // A full or locked disk: the next hour tries again.
      new Logger('History').warn(`Not thinned: ${storageFailureOf(error)?.message ?? String(error)}.`);
    }
  }
}
