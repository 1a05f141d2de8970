import type { StoredDocument } from '@usual-drag/contract';
import { LRUCache } from 'lru-cache';

/** Characters of JSON that the versions may have in total. */
const mostCharacters = 16 * 2 ** 20;
/** Number of versions of each document: pages that edit the same document are at most a few revisions apart. */
const mostVersions = 8;

/**
 * The latest versions of the documents that are being edited, in memory. The documents that have not been used for the longest
 * time are removed first.
 */
export class RecentVersions<T> {
  /** Versions by the id of the document, the newest first and without gaps. */
  readonly #versions: Versions<T> = new LRUCache<string, readonly StoredDocument<T>[]>({ maxSize: mostCharacters });

  /** Returns the newest version in memory; the database may have a newer one. */
  newest(id: string): StoredDocument<T> | undefined {
    return this.#versions.get(id)?.[0];
  }

  /** Returns the document at a revision; undefined if it is not in memory. */
  at(id: string, revision: number): T | undefined {
    return this.#versions.get(id)?.find((version) => version.revision === revision)?.document;
  }

  /** Adds a version that was saved, with the number of characters of its JSON. Versions that do not precede it are removed. */
  addSaved(version: StoredDocument<T>, characters: number): void {
    const before = this.#versions.get(version.id);
    const versions = before?.[0]?.revision === version.revision - 1 ? [version, ...before] : [version];
    const kept = versions.slice(0, mostVersions);
    this.#versions.set(version.id, kept, { size: kept.length * characters });
  }

  /** Adds a version that was read, unless a newer one was saved while it was read. */
  addRead(version: StoredDocument<T>, characters: number): void {
    const newest = this.newest(version.id);
    if (!newest || newest.revision < version.revision) this.addSaved(version, characters);
  }

  remove(id: string): void {
    this.#versions.delete(id);
  }

  clear(): void {
    this.#versions.clear();
  }
}

/** Part of the cache that is used; declared as methods so that a repository of jobs is also one of unknown documents. */
interface Versions<T> {
  get(id: string): readonly StoredDocument<T>[] | undefined;
  set(id: string, versions: readonly StoredDocument<T>[], of: { readonly size: number }): unknown;
  delete(id: string): boolean;
  clear(): void;
}
