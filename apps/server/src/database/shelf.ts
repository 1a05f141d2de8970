import { ConflictException, NotFoundException } from '@nestjs/common';
import type { Shelved } from '@usual-drag/contract';
import { and, asc, eq, max, sql } from 'drizzle-orm';
import { refuse } from '../http/envelope.pipe.ts';
import type { Database } from './database.ts';
import type { ShelfTable } from './schema.ts';

/** Documents that lie in one order, each with an id of its own inside and outside, saved by revision. */
export class Shelf<T extends { readonly id: string }> {
  constructor(
    private readonly database: Database,
    private readonly table: ShelfTable<T>,
    /** What one of them is called in a refusal. */
    private readonly noun: string,
  ) {}

  list(): Shelved<T>[] {
    const { position, id } = this.table;
    return this.database.select(this.#shelved()).from(this.table).orderBy(asc(position), asc(id)).all() as Shelved<T>[];
  }

  find(wanted: string): Shelved<T> | undefined {
    const found = this.database.select(this.#shelved()).from(this.table).where(eq(this.table.id, wanted)).get();
    return found as Shelved<T> | undefined;
  }

  /** Puts a new document at the end; nothing where its id is taken. */
  insert(document: T): Shelved<T> | undefined {
    const { table } = this;
    const last = this.database
      .select({ at: max(table.position) })
      .from(table)
      .get();
    return this.database
      .insert(table)
      .values({ id: document.id, position: (last?.at ?? -1) + 1, revision: 1, document } as typeof table.$inferInsert)
      .onConflictDoNothing()
      .returning(this.#shelved())
      .get() as Shelved<T> | undefined;
  }

  /** Replaces a document if `from` is still its newest revision; nothing is changed where it is not. */
  replace(from: number, document: T): Shelved<T> | undefined {
    const { table } = this;
    return this.database
      .update(table)
      .set({ document, revision: from + 1 } as Partial<typeof table.$inferInsert>)
      .where(and(eq(table.id, document.id), eq(table.revision, from)))
      .returning(this.#shelved())
      .get() as Shelved<T> | undefined;
  }

  /**
   * Puts a new document on the shelf, or saves one that was edited from `revision`.
   *
   * @throws a refusal: 400 where it is called otherwise inside, 404 where it is not there, 409 with the newest where it has
   *   been changed since
   */
  save(id: string, revision: number | undefined, document: T): Shelved<T> {
    if (document.id !== id)
      throw refuse([{ path: 'document.id', message: `The ${this.noun} is called ${document.id}, the address ${id}.` }]);
    const saved = revision === undefined ? this.insert(document) : this.replace(revision, document);
    if (saved) return saved;
    const current = this.find(id);
    if (!current) throw new NotFoundException(`There is no ${this.noun} ${id} on the shelf.`);
    throw new ConflictException({
      message: `This ${this.noun} has been changed since in another window.`,
      details: { current },
    });
  }

  /** Does all of some work or nothing of it. */
  together<R>(work: () => R): R {
    return this.database.transaction(work);
  }

  /** Puts what comes with the software on the shelf; what was edited since stays as it is. */
  stock(documents: readonly T[]): void {
    const { table } = this;
    const rows = documents.map((document, position) => ({ id: document.id, position, document }));
    this.database
      .insert(table)
      .values(rows as (typeof table.$inferInsert)[])
      .onConflictDoUpdate({
        target: table.id,
        set: { position: sql`excluded.position`, document: sql`excluded.document` },
        setWhere: eq(table.revision, 0),
      })
      .run();
  }

  #shelved() {
    const { id, revision, document } = this.table;
    return { id, revision, document };
  }
}
