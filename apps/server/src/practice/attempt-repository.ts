import { Inject, Injectable } from '@nestjs/common';
import type { KeptAttempt, Learner } from '@usual-drag/contract';
import { count, desc, eq, max } from 'drizzle-orm';
import { DATABASE, type Database } from '../database/database.ts';

/** Number of a person's last attempts in an answer. */
const mostAttempts = 5000;

@Injectable()
export class AttemptRepository {
  constructor(@Inject(DATABASE) private readonly database: Database) {}

  /** Keeps an attempt; one that is there already stays as it is. */
  async keep(attempt: KeptAttempt): Promise<void> {
    const { query, tables } = this.database;
    const { attempts } = tables;
    await query.insert(attempts).values(attempt).onConflictDoNothing({ target: attempts.id });
  }

  /** A person's attempts, the oldest first. */
  async of(person: string): Promise<KeptAttempt[]> {
    const { query, tables } = this.database;
    const { attempts } = tables;
    const rows = await query
      .select()
      .from(attempts)
      .where(eq(attempts.person, person))
      .orderBy(desc(attempts.entry))
      .limit(mostAttempts);
    return rows.reverse().map(({ entry: _entry, ...attempt }) => attempt);
  }

  /** Everybody who practised, who did so last first. */
  async learners(): Promise<Learner[]> {
    const { query, tables } = this.database;
    const { attempts } = tables;
    const rows = await query
      .select({ person: attempts.person, attempts: count(), lastAt: max(attempts.at) })
      .from(attempts)
      .groupBy(attempts.person)
      .orderBy(desc(max(attempts.entry)));
    return rows.map((row) => ({ ...row, lastAt: row.lastAt ?? '' }));
  }

  /** Erases all that is kept of a person. */
  async erase(person: string): Promise<void> {
    const { query, tables } = this.database;
    const { attempts } = tables;
    await query.delete(attempts).where(eq(attempts.person, person));
  }
}
