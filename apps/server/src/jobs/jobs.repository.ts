import { randomUUID } from 'node:crypto';
import { Inject, Injectable } from '@nestjs/common';
import type { JobSummary } from '@usual-drag/contract';
import type { Job } from '@usual-drag/core';
import { and, desc, eq, isNotNull, isNull, sql } from 'drizzle-orm';
import { DATABASE, type Database } from '../database/database.ts';
import { jobs } from '../database/schema.ts';

export type StoredJob = typeof jobs.$inferSelect;

@Injectable()
export class JobsRepository {
  constructor(@Inject(DATABASE) private readonly database: Database) {}

  /** The jobs, or those in the bin; the last changed or deleted first. */
  list({ deleted = false } = {}): JobSummary[] {
    return this.database
      .select({
        id: jobs.id,
        title: sql<string | null>`json_extract(${jobs.document}, '$.title')`,
        revision: jobs.revision,
        updatedAt: jobs.updatedAt,
        deletedAt: jobs.deletedAt,
        parts: sql<number>`json_array_length(${jobs.document}, '$.network.elements')`,
        setups: sql<number>`coalesce(json_array_length(${jobs.document}, '$.setups'), 0)`,
      })
      .from(jobs)
      .where(deleted ? isNotNull(jobs.deletedAt) : isNull(jobs.deletedAt))
      .orderBy(desc(deleted ? jobs.deletedAt : jobs.updatedAt), jobs.id)
      .all();
  }

  /** Whether there has never been a job, deleted ones counted. */
  isNew(): boolean {
    return this.database.select({ id: jobs.id }).from(jobs).limit(1).get() === undefined;
  }

  find(id: string): StoredJob | undefined {
    return this.database
      .select()
      .from(jobs)
      .where(and(eq(jobs.id, id), isNull(jobs.deletedAt)))
      .get();
  }

  insert(document: Job, at = new Date()): StoredJob {
    const now = at.toISOString();
    return this.database
      .insert(jobs)
      .values({ id: randomUUID(), revision: 1, document, createdAt: now, updatedAt: now })
      .returning()
      .get();
  }

  /** Replaces the document if `revision` is still the newest; nothing is changed where it is not. */
  replace(id: string, revision: number, document: Job): StoredJob | undefined {
    return this.database
      .update(jobs)
      .set({ document, revision: revision + 1, updatedAt: new Date().toISOString() })
      .where(and(eq(jobs.id, id), eq(jobs.revision, revision), isNull(jobs.deletedAt)))
      .returning()
      .get();
  }

  /** Puts a job into the bin, or takes it out again; false where it was not there to be moved. */
  setDeleted(id: string, deleted: boolean): boolean {
    const there = deleted ? isNull(jobs.deletedAt) : isNotNull(jobs.deletedAt);
    const { changes } = this.database
      .update(jobs)
      .set({ deletedAt: deleted ? new Date().toISOString() : null })
      .where(and(eq(jobs.id, id), there))
      .run();
    return changes === 1;
  }
}
