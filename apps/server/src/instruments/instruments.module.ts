import { Inject, Module, type OnModuleInit } from '@nestjs/common';
import { builtInKit } from '@usual-drag/core/instrument';
import { eq, sql } from 'drizzle-orm';
import { removedProperty } from '../database/document-repository.ts';
import { Repositories } from '../documents/repositories.ts';
import { InstrumentsController } from './instruments.controller.ts';
import { InstrumentsService } from './instruments.service.ts';

@Module({ controllers: [InstrumentsController], providers: [InstrumentsService] })
export class InstrumentsModule implements OnModuleInit {
  constructor(@Inject(Repositories) private readonly repositories: Repositories) {}

  /** Puts the built-in instruments into the kit; what was edited since stays as it is, what was deleted stays away. */
  async onModuleInit(): Promise<void> {
    const { query, tables } = this.repositories.database;
    const { instruments, properties } = tables;
    const now = new Date().toISOString();
    const known = await query.select({ name: properties.name }).from(properties);
    const names = new Set(known.map(({ name }) => name));
    const wanted = builtInKit.filter(({ id }) => !names.has(removedProperty('instruments', id)));
    if (wanted.length === 0) return;
    const rows = wanted.map((kept) => ({
      id: kept.id,
      revision: 0,
      document: JSON.stringify(kept),
      createdAt: now,
      updatedAt: now,
    }));
    await query
      .insert(instruments)
      .values(rows)
      .onConflictDoUpdate({
        target: instruments.id,
        set: { document: sql`excluded.document` },
        setWhere: eq(instruments.revision, 0),
      });
  }
}
