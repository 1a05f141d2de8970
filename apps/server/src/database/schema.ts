import type { Job, KitInstrument, MeterProject } from '@usual-drag/core';
import { integer, sqliteTable, text } from 'drizzle-orm/sqlite-core';

/** A job and where it stands. `revision` counts its savings; `deletedAt` is set while it lies in the bin. */
export const jobs = sqliteTable('jobs', {
  id: text('id').primaryKey(),
  revision: integer('revision').notNull(),
  document: text('document', { mode: 'json' }).$type<Job>().notNull(),
  createdAt: text('created_at').notNull(),
  updatedAt: text('updated_at').notNull(),
  deletedAt: text('deleted_at'),
});

/** Documents in the order of a shelf. `revision` counts their savings; 0 is as it came with the software. */
const shelfTable = <T>(name: string) =>
  sqliteTable(name, {
    id: text('id').primaryKey(),
    position: integer('position').notNull(),
    revision: integer('revision').notNull().default(0),
    document: text('document', { mode: 'json' }).$type<T>().notNull(),
  });

export type ShelfTable<T> = ReturnType<typeof shelfTable<T>>;

/** The instruments at hand. */
export const instruments = shelfTable<KitInstrument>('instruments');

/** The meters under way in the workshop. */
export const meterProjects = shelfTable<MeterProject>('meter-projects');
