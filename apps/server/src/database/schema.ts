import { index, integer, real, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import type { DocumentKind } from '@usual-drag/contract';
import type { KitNotes, ReportSection, SignedOrder } from '@usual-drag/core/report';
import type { Attempt } from '@usual-drag/core/practice';

/**
 * Documents of one kind. `revision` counts their savings, 0 is as it came with the software; `archivedAt` is set while one is
 * archived. The document stays text here: one damaged row must not keep the others from being read.
 */
const documentTable = (name: string) =>
  sqliteTable(name, {
    id: text('id').primaryKey(),
    revision: integer('revision').notNull(),
    document: text('document').notNull(),
    createdAt: text('created_at').notNull(),
    updatedAt: text('updated_at').notNull(),
    archivedAt: text('archived_at'),
  });

export type DocumentTable = ReturnType<typeof documentTable>;

export const jobs = documentTable('jobs');
export const instruments = documentTable('instruments');
export const meterProjects = documentTable('meter_projects');

/** Every earlier version, and those set aside; the present one is in the table of its kind. */
export const revisions = sqliteTable(
  'revisions',
  {
    entry: integer('entry').primaryKey({ autoIncrement: true }),
    kind: text('kind').$type<DocumentKind>().notNull(),
    documentId: text('document_id').notNull(),
    revision: integer('revision').notNull(),
    document: text('document').notNull(),
    savedAt: text('saved_at').notNull(),
    aside: integer('aside', { mode: 'boolean' }).notNull().default(false),
  },
  (table) => [index('revisions_of_document').on(table.kind, table.documentId, table.entry)],
);

/** Facts about the database itself: `made-by` is `demo` if the demo made it. */
export const properties = sqliteTable('properties', {
  name: text('name').primaryKey(),
  value: text('value').notNull(),
});

/** Result of each practised problem. Stored by the person's name until it is erased; never part of a document's history. */
export const attempts = sqliteTable(
  'attempts',
  {
    entry: integer('entry').primaryKey({ autoIncrement: true }),
    /** Given by the page, so that one that is sent twice is kept once. */
    id: text('id').notNull().unique(),
    person: text('person').notNull(),
    kind: text('kind').$type<Attempt['kind']>().notNull(),
    level: integer('level').$type<Attempt['level']>().notNull(),
    seed: integer('seed').notNull(),
    right: integer('right', { mode: 'boolean' }).notNull(),
    slip: text('slip').$type<Attempt['slip']>(),
    hints: integer('hints').notNull(),
    seconds: real('seconds').notNull(),
    at: text('at').notNull(),
  },
  (table) => [index('attempts_of_person').on(table.person, table.entry)],
);

/**
 * The lines of the list of jobs, derived from the documents: each belongs to one revision and was computed by one version of the
 * rules (`version`). `head` comes from the document, `figures` from solving it; null while it is not computed.
 */
export const jobSummaries = sqliteTable('job_summaries', {
  id: text('id').primaryKey(),
  revision: integer('revision').notNull(),
  version: integer('version').notNull(),
  head: text('head').notNull(),
  figures: text('figures'),
});

/**
 * Reports that were signed, each with the job as it was then: it stays as long as the job does, whatever its history is thinned to.
 */
export const signatures = sqliteTable(
  'signatures',
  {
    entry: integer('entry').primaryKey({ autoIncrement: true }),
    jobId: text('job_id').notNull(),
    revision: integer('revision').notNull(),
    hash: text('hash').notNull(),
    by: text('signed_by').notNull(),
    at: text('signed_at').notNull(),
    sections: text('sections', { mode: 'json' }).$type<readonly ReportSection[]>().notNull(),
    restored: text('restored', { mode: 'json' }).$type<readonly string[]>().notNull(),
    kit: text('kit', { mode: 'json' }).$type<Readonly<Record<string, KitNotes>>>().notNull(),
    document: text('document').notNull(),
    /** Null if the job was signed alone. */
    order: text('signed_order', { mode: 'json' }).$type<SignedOrder>(),
    /** SHA-256 over all of it but `entry` and the document, which `hash` covers; null only before it is first computed. */
    seal: text('seal'),
  },
  (table) => [index('signatures_of_job').on(table.jobId, table.entry)],
);

/** Sequences of the circuits of orders that were reordered. An order without one has the sequence in which its jobs were created. */
export const orderSequences = sqliteTable('order_sequences', {
  order: text('order_number').primaryKey(),
  /** Ids of jobs; some may be archived or have another order number by now. */
  jobs: text('jobs', { mode: 'json' }).$type<readonly string[]>().notNull(),
});

/** All tables, each before those that name its rows. */
export const tables = {
  jobs,
  instruments,
  meterProjects,
  revisions,
  properties,
  attempts,
  jobSummaries,
  signatures,
  orderSequences,
};

/** The tables as statements use them; those of PostgreSQL are derived from them. */
export type Tables = typeof tables;
