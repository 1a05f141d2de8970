import { Inject, Injectable } from '@nestjs/common';
import type { Instrument } from '@usual-drag/core';
import { sql } from 'drizzle-orm';
import { DATABASE, type Database } from '../database/database.ts';
import { instruments } from '../database/schema.ts';

@Injectable()
export class InstrumentsRepository {
  constructor(@Inject(DATABASE) private readonly database: Database) {}

  list(): Instrument[] {
    return this.database
      .select()
      .from(instruments)
      .orderBy(instruments.position)
      .all()
      .map((row) => row.document);
  }

  /** Puts the instruments that come with the software on the shelf, as they are in this version. */
  stock(kit: readonly Instrument[]): void {
    const rows = kit.map((document, position) => ({ id: document.id, position, document }));
    this.database
      .insert(instruments)
      .values(rows)
      .onConflictDoUpdate({
        target: instruments.id,
        set: { position: sql`excluded.position`, document: sql`excluded.document` },
      })
      .run();
  }
}
