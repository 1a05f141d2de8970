import { Inject, Injectable } from '@nestjs/common';
import type { ShelvedInstrument } from '@usual-drag/contract';
import type { KitInstrument } from '@usual-drag/core';
import { and, asc, eq, max, sql } from 'drizzle-orm';
import { DATABASE, type Database } from '../database/database.ts';
import { instruments } from '../database/schema.ts';

const { id, revision, document } = instruments;
const shelved = { id, revision, document };

@Injectable()
export class InstrumentsRepository {
  constructor(@Inject(DATABASE) private readonly database: Database) {}

  list(): ShelvedInstrument[] {
    return this.database.select(shelved).from(instruments).orderBy(asc(instruments.position), asc(id)).all();
  }

  find(wanted: string): ShelvedInstrument | undefined {
    return this.database.select(shelved).from(instruments).where(eq(id, wanted)).get();
  }

  /** Puts a new instrument at the end of the shelf; nothing where its id is taken. */
  insert(instrument: KitInstrument): ShelvedInstrument | undefined {
    const last = this.database
      .select({ at: max(instruments.position) })
      .from(instruments)
      .get();
    return this.database
      .insert(instruments)
      .values({ id: instrument.id, position: (last?.at ?? -1) + 1, revision: 1, document: instrument })
      .onConflictDoNothing()
      .returning(shelved)
      .get();
  }

  /** Replaces an instrument if `from` is still its newest revision; nothing is changed where it is not. */
  replace(from: number, instrument: KitInstrument): ShelvedInstrument | undefined {
    return this.database
      .update(instruments)
      .set({ document: instrument, revision: from + 1 })
      .where(and(eq(id, instrument.id), eq(revision, from)))
      .returning(shelved)
      .get();
  }

  /** Does all of some work or nothing of it. */
  together<T>(work: () => T): T {
    return this.database.transaction(work);
  }

  /** Puts the instruments that come with the software on the shelf; those that were edited since stay as they are. */
  stock(kit: readonly KitInstrument[]): void {
    const rows = kit.map((instrument, position) => ({ id: instrument.id, position, document: instrument }));
    this.database
      .insert(instruments)
      .values(rows)
      .onConflictDoUpdate({
        target: id,
        set: { position: sql`excluded.position`, document: sql`excluded.document` },
        setWhere: eq(revision, 0),
      })
      .run();
  }
}
