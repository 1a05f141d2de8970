import type { DamagedDocument, DocumentKind, FileFault, StoredDocument } from '@usual-drag/contract';
import { fail, type Result } from '@usual-drag/core/result';
import { and, asc, desc, eq, isNotNull, isNull, lt, sql, type SQL } from 'drizzle-orm';
import type { Database, Query } from './database.ts';
import { documentText } from './document-text.ts';
import { RecentVersions } from './recent-versions.ts';
import type { DocumentTable, Tables } from './schema.ts';
import { slices } from '../work/slices.ts';

/** A document as it is stored, with when it was archived. */
export interface Kept<T> extends StoredDocument<T> {
  readonly archivedAt: string | null;
}

/** A version in a document's history, without the document; `entry` is null for the present one. */
export interface Version {
  readonly entry: number | null;
  readonly revision: number;
  readonly savedAt: string;
  readonly aside: boolean;
}

/** Change of a document, as a repository reports it. */
export interface Change<T> {
  readonly id: string;
  /** Its new one; null if it was archived, restored or removed. */
  readonly revision: number | null;
  /** The saved version, and the one before if that is in memory. */
  readonly saved?: StoredDocument<T> & { readonly before?: T };
}

/** Receives the changes of the documents of a repository. */
export interface ChangeListener<T> {
  changed(change: Change<T>): void;
}

/** A stored document that cannot be read. */
export class Damaged extends Error {
  constructor(readonly about: DamagedDocument) {
    super(about.message);
  }
}

interface Row {
  readonly id: string;
  readonly revision: number;
  readonly updatedAt: string;
  readonly archivedAt: string | null;
  readonly bytes: unknown;
}

/** Columns of a stored document that are read without the document itself. */
export interface Line extends Omit<Kept<unknown>, 'document'> {
  readonly createdAt: string;
}

/** The documents of one kind in the database: found, saved by revision, with every earlier version kept. */
export class DocumentRepository<T> {
  /** Result of the last check of each document, by its id: the revision, and the damage if any. */
  readonly #checked = new Map<string, { readonly revision: number; readonly damaged: DamagedDocument | null }>();
  readonly #recent = new RecentVersions<T>();

  constructor(
    private readonly database: Database,
    readonly kind: DocumentKind,
    private readonly table: DocumentTable,
    /** Returns whether a value is such a document. */
    private readonly check: (value: unknown) => Result<T, readonly FileFault[]>,
    private readonly listener: ChangeListener<T> = { changed: () => undefined },
  ) {}

  /** All that can be read, in the order in which they were made; and those that cannot. */
  async list(): Promise<{ readonly kept: Kept<T>[]; readonly damaged: DamagedDocument[] }> {
    const { lines, damaged } = await this.lines();
    const kept: Kept<T>[] = [];
    const breathe = slices();
    for (const { id } of lines) {
      const found = await this.find(id);
      if (found) kept.push(found);
      await breathe();
    }
    return { kept, damaged };
  }

  /**
   * Returns the lines of all readable documents in the order in which they were made, and the unreadable ones. Each document is
   * looked into once while the server runs, and again when it has changed.
   */
  async lines(): Promise<{ readonly lines: Line[]; readonly damaged: DamagedDocument[] }> {
    const { id, revision, updatedAt, archivedAt, createdAt } = this.table;
    const rows = await this.#query
      .select({ id, revision, updatedAt, archivedAt, createdAt })
      .from(this.table)
      .orderBy(asc(createdAt), sql`rowid`);
    const lines: Line[] = [];
    const damaged: DamagedDocument[] = [];
    const breathe = slices();
    for (const row of rows) {
      if (this.#checked.get(row.id)?.revision !== row.revision) {
        await this.find(row.id).catch(ignoreDamaged);
        await breathe();
      }
      const about = this.#checked.get(row.id)?.damaged;
      if (about) damaged.push(about);
      else lines.push(row);
    }
    return { lines, damaged };
  }

  /** The documents that cannot be read, as far as they were looked into while the server runs. */
  get knownDamaged(): DamagedDocument[] {
    return [...this.#checked.values()].flatMap(({ damaged }) => damaged ?? []);
  }

  /** Notes that documents are as they should be: they were checked before they were written. */
  noteChecked(ids: readonly string[], revision: number): void {
    for (const id of ids) this.#checked.set(id, { revision, damaged: null });
  }

  /** @throws Damaged if it is there and cannot be read */
  async find(id: string): Promise<Kept<T> | undefined> {
    const [row] = await this.#select().where(eq(this.table.id, id));
    return row && this.#read(row);
  }

  /**
   * Returns the newest version in memory, otherwise the one in the database. The database may have a newer one than memory;
   * `replace` then changes nothing.
   */
  async newest(id: string): Promise<StoredDocument<T> | undefined> {
    const recent = this.#recent.newest(id);
    if (recent) return recent;
    const [row] = await this.#select().where(eq(this.table.id, id));
    return row && this.#readRecent(row);
  }

  /** Removes all versions from memory, because the contents of the database were replaced. */
  forgetRecent(): void {
    this.#recent.clear();
  }

  /** Removes a document from memory, because another server saved a revision after those in memory, or moved it if null. */
  forgetBefore(id: string, revision: number | null): void {
    const newest = this.#recent.newest(id);
    if (newest && (revision === null || newest.revision < revision)) this.#recent.remove(id);
  }

  /** The present revision of a document, archived or not; undefined if there is none. */
  async revisionOf(id: string): Promise<number | undefined> {
    const { table } = this;
    const [row] = await this.#query.select({ revision: table.revision }).from(table).where(eq(table.id, id));
    return row?.revision;
  }

  /** Bytes that the document of each row takes, in the order in which they were made. */
  async sizes(): Promise<{ readonly id: string; readonly bytes: number }[]> {
    const { id, document, createdAt } = this.table;
    return this.#query
      .select({ id, bytes: sql<number>`octet_length(${document})` })
      .from(this.table)
      .orderBy(asc(createdAt), sql`rowid`);
  }

  /** The text of a document with its revision; undefined if it is not there or no text. */
  async text(id: string): Promise<{ readonly text: string; readonly revision: number } | undefined> {
    const [row] = await this.#select().where(eq(this.table.id, id));
    const text = row && textOf(row.bytes);
    return typeof text === 'string' ? { text, revision: row!.revision } : undefined;
  }

  /** Returns whether there is or was none of this kind. */
  async isEmpty(): Promise<boolean> {
    const [row] = await this.#query.select({ id: this.table.id }).from(this.table).limit(1);
    return row === undefined;
  }

  /** Adds a document; false if its id is taken. `updatedAt` is stored with it. */
  async insert(id: string, document: T, at = new Date(), revision = 1): Promise<Kept<T> | undefined> {
    const text = documentText(document);
    const inserted = await this.insertion(this.#query, id, text, at, revision);
    if (inserted.length !== 1) return undefined;
    return this.#changed({ id, revision, updatedAt: at.toISOString(), document }, text);
  }

  /** Returns the same as a statement of a transaction. @param document  its text */
  insertion(query: Query, id: string, document: string, at: Date, revision: number) {
    const now = at.toISOString();
    return query
      .insert(this.table)
      .values({ id, revision, document, createdAt: now, updatedAt: now })
      .onConflictDoNothing()
      .returning({ id: this.table.id });
  }

  /** Replaces a document if `from` is still its revision, and keeps the version before; otherwise changes nothing. */
  async replace(id: string, from: number, document: T): Promise<Kept<T> | undefined> {
    const at = new Date();
    const text = documentText(document);
    const [, replaced] = await this.database.atomically((query) => this.replacement(query, id, from, text, at));
    if (replaced.length === 1) {
      const saved = { id, revision: from + 1, updatedAt: at.toISOString(), document };
      return this.#changed(saved, text, this.#recent.at(id, from));
    }
    // The version in memory is not the one in the database.
    if (this.#recent.newest(id)?.revision === from) this.#recent.remove(id);
    return undefined;
  }

  /** Returns the same as statements of a transaction. @param document  its text */
  replacement(query: Query, id: string, from: number, document: string, at: Date) {
    const still = and(eq(this.table.id, id), eq(this.table.revision, from), isNull(this.table.archivedAt));
    const { table } = this;
    const { tables, locked } = this.database;
    return [
      query.run(sql`
        insert into ${tables.revisions} (kind, document_id, revision, document, saved_at)
        select ${this.kind}, ${table.id}, ${table.revision}, ${table.document}, ${table.updatedAt} from ${table} where ${still} ${locked}`),
      query
        .update(table)
        .set({ document, revision: from + 1, updatedAt: at.toISOString() })
        .where(still)
        .returning({ id: table.id }),
    ] as const;
  }

  /** Announces a stored revision once more, because the request that saved it failed after the commit and announced nothing. */
  announceAgain({ id, revision }: StoredDocument<T>): void {
    this.listener.changed({ id, revision });
  }

  /** Archives a document, or brings it back; false if it was not there to be moved. */
  async setArchived(id: string, archived: boolean): Promise<boolean> {
    const { archivedAt } = this.table;
    const moved = await this.#query
      .update(this.table)
      .set({ archivedAt: archived ? new Date().toISOString() : null })
      .where(and(eq(this.table.id, id), archived ? isNull(archivedAt) : isNotNull(archivedAt)))
      .returning({ id: this.table.id });
    this.#recent.remove(id);
    if (moved.length === 1) this.listener.changed({ id, revision: null });
    return moved.length === 1;
  }

  /** Removes a document with its whole history, and what was signed of it; that it was there is noted, so that nothing puts it back by itself. */
  async remove(id: string): Promise<void> {
    const { properties, revisions, signatures, jobSummaries } = this.database.tables;
    await this.database.atomically((query) => [
      query
        .insert(properties)
        .values({ name: removedProperty(this.kind, id), value: new Date().toISOString() })
        .onConflictDoNothing(),
      query.delete(this.table).where(eq(this.table.id, id)),
      query.delete(revisions).where(this.#ofHistory(id)),
      ...(this.kind === 'jobs'
        ? [
            query.delete(signatures).where(eq(signatures.jobId, id)),
            query.delete(jobSummaries).where(eq(jobSummaries.id, id)),
          ]
        : []),
    ]);
    this.#checked.delete(id);
    this.#recent.remove(id);
    this.listener.changed({ id, revision: null });
  }

  /** Versions from the newest on, the present one first where `before` is left out. */
  async versions(id: string, limit: number, before?: number): Promise<Version[]> {
    const { revisions } = this.database.tables;
    const earlier = await this.#query
      .select(versionColumns(revisions))
      .from(revisions)
      .where(and(this.#ofHistory(id), before === undefined ? undefined : lt(revisions.entry, before)))
      .orderBy(desc(revisions.entry))
      .limit(limit);
    if (before !== undefined) return earlier;
    const { table } = this;
    const [present] = await this.#query
      .select({ revision: table.revision, savedAt: table.updatedAt })
      .from(table)
      .where(eq(table.id, id));
    return present ? [{ entry: null, ...present, aside: false }, ...earlier] : earlier;
  }

  async version(id: string, entry: number): Promise<Version | undefined> {
    const { revisions } = this.database.tables;
    const [found] = await this.#query
      .select(versionColumns(revisions))
      .from(revisions)
      .where(and(this.#ofHistory(id), eq(revisions.entry, entry)));
    return found;
  }

  /** The text of a version, of the present one if `entry` is null; null if it is not there or no text. */
  async versionText(id: string, entry: number | null): Promise<string | null> {
    if (entry === null) return (await this.text(id))?.text ?? null;
    const { revisions } = this.database.tables;
    const [found] = await this.#query
      .select({ document: revisions.document })
      .from(revisions)
      .where(and(this.#ofHistory(id), eq(revisions.entry, entry)));
    return found?.document ?? null;
  }

  /**
   * Returns the document at the present or an earlier revision; undefined if that is not stored any more, or an earlier one cannot
   * be read.
   *
   * @throws Damaged if it is the present one and cannot be read
   */
  async atRevision(id: string, revision: number): Promise<T | undefined> {
    const recent = this.#recent.at(id, revision);
    if (recent !== undefined) return recent;
    const [present] = await this.#select().where(and(eq(this.table.id, id), eq(this.table.revision, revision)));
    if (present) return this.#readRecent(present).document;
    const { revisions } = this.database.tables;
    const [found] = await this.#query
      .select({ document: revisions.document })
      .from(revisions)
      .where(and(this.#ofHistory(id), eq(revisions.revision, revision), eq(revisions.aside, false)))
      .orderBy(desc(revisions.entry))
      .limit(1);
    try {
      const checked = found && this.check(JSON.parse(found.document));
      return checked?.ok ? checked.value : undefined;
    } catch {
      return undefined;
    }
  }

  /** Stores a version that does not become the present one, unless the newest of the history is the same. */
  async setAside(id: string, revision: number, document: T): Promise<void> {
    const text = documentText(document);
    const [last] = await this.versions(id, 1, Number.MAX_SAFE_INTEGER);
    if (last?.aside && (await this.versionText(id, last.entry)) === text) return;
    await this.#query.insert(this.database.tables.revisions).values({
      kind: this.kind,
      documentId: id,
      revision,
      document: text,
      savedAt: new Date().toISOString(),
      aside: true,
    });
  }

  /** The bytes of a document as they lie in the database, whatever they are. */
  async bytes(id: string): Promise<Buffer | undefined> {
    const [row] = await this.#select().where(eq(this.table.id, id));
    return row && bufferOf(row.bytes);
  }

  #changed(saved: StoredDocument<T>, text: string, before?: T): Kept<T> {
    const { id, revision } = saved;
    this.noteChecked([id], revision);
    this.#recent.addSaved(saved, text.length);
    this.listener.changed({ id, revision, saved: { ...saved, ...(before && { before }) } });
    return { ...saved, archivedAt: null };
  }

  #select() {
    const { id, revision, updatedAt, archivedAt, document } = this.table;
    return this.#query
      .select({ id, revision, updatedAt, archivedAt, bytes: this.database.bytesOf(document) })
      .from(this.table)
      .$dynamic();
  }

  get #query(): Query {
    return this.database.query;
  }

  #ofHistory(id: string): SQL {
    const { revisions } = this.database.tables;
    return and(eq(revisions.kind, this.kind), eq(revisions.documentId, id))!;
  }

  #readRecent(row: Row): Kept<T> {
    const kept = this.#read(row);
    this.#recent.addRead(kept, bufferOf(row.bytes).length);
    return kept;
  }

  #read({ id, revision, updatedAt, archivedAt, bytes }: Row): Kept<T> {
    const checked = this.#parsed(bytes);
    const damaged = checked.ok
      ? null
      : { kind: this.kind, id, updatedAt, bytes: bufferOf(bytes).length, message: checked.fault };
    this.#checked.set(id, { revision, damaged });
    if (!checked.ok) throw new Damaged(damaged!);
    return { id, revision, updatedAt, archivedAt, document: checked.value };
  }

  /** The document of some bytes, or what is wrong with them. */
  #parsed(bytes: unknown): Result<T, string> {
    const text = textOf(bytes);
    if (text === null) return fail('It is not text.');
    let value: unknown;
    try {
      value = JSON.parse(text);
    } catch (error) {
      return fail(`It is not JSON: ${(error as Error).message}.`);
    }
    const checked = this.check(value);
    return checked.ok ? checked : fail(checked.fault[0]!.message);
  }
}

function ignoreDamaged(error: unknown): void {
  if (!(error instanceof Damaged)) throw error;
}

const versionColumns = ({ entry, revision, savedAt, aside }: Tables['revisions']) => ({
  entry,
  revision,
  savedAt,
  aside,
});

/** The property that a removed document leaves. */
export const removedProperty = (kind: DocumentKind, id: string): string => `removed/${kind}/${id}`;

/** Returns the bytes of a blob in a buffer of its own. */
const bufferOf = (bytes: unknown): Buffer => Buffer.from((bytes ?? '') as Uint8Array);

/** Null if the bytes are no text. */
function textOf(bytes: unknown): string | null {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bufferOf(bytes));
  } catch {
    return null;
  }
}
