import { ConflictException, NotFoundException } from '@nestjs/common';
import type { StoredDocument } from '@usual-drag/contract';
import { sameValue } from '@usual-drag/core/job';
import { refuse } from '../http/envelope.pipe.ts';
import type { DocumentRepository } from '../database/document-repository.ts';

/** Joins two edits of one document; null if a person has to choose. `base` is null if it is no longer stored. */
export type Merge<T> = (base: T | null, mine: T, theirs: T) => T | null;

/** Noun for one document of a kind, for refusals. */
const nouns = { jobs: 'job', instruments: 'instrument', 'meter-projects': 'meter project' } as const;

/**
 * Adds a new document, or saves one that was edited from `revision`. What is stored already, word for word, is saved; what was
 * changed since on another device is joined with it by `merge`.
 *
 * @throws a refusal: 404 if it is not there, 409 with the newest version if it has been changed since, so that neither edit is lost
 */
export async function saveDocument<T>(
  repository: DocumentRepository<T>,
  id: string,
  revision: number | undefined,
  document: T,
  merge: Merge<T> = () => null,
): Promise<StoredDocument<T>> {
  const saved =
    revision === undefined ? await repository.insert(id, document) : await repository.replace(id, revision, document);
  if (saved) return answer(saved);
  const base = revision === undefined ? undefined : await repository.atRevision(id, revision);
  const join = (theirs: T): T | null => merge(base ?? null, document, theirs);
  // First with the version in memory. If the database has a newer one, nothing is replaced.
  const recent = await repository.newest(id);
  const mergedRecent = recent && join(recent.document);
  if (recent && mergedRecent && !sameValue(mergedRecent, recent.document)) {
    const joined = await repository.replace(id, recent.revision, mergedRecent);
    if (joined) return answer(joined);
  }
  // Each repetition means that another save came in between.
  for (;;) {
    const current = await findDocument(repository, id);
    // The same document again, from a page that did not receive the answer to its first request.
    if (sameValue(current.document, document)) return savedBefore(repository, current);
    const merged = join(current.document);
    if (merged === null)
      throw new ConflictException({
        message: `This ${nouns[repository.kind]} was changed in another window or on another device.`,
        details: { current },
      });
    if (sameValue(merged, current.document)) return savedBefore(repository, current);
    const joined = await repository.replace(id, current.revision, merged);
    if (joined) return answer(joined);
  }
}

/** Returns what an earlier request has saved. If that one failed after the commit, the revision has not been announced. */
function savedBefore<T>(repository: DocumentRepository<T>, current: StoredDocument<T>): StoredDocument<T> {
  repository.announceAgain(current);
  return current;
}

/** Saves a document that contains its own id. */
export function saveNamed<T extends { readonly id: string }>(
  repository: DocumentRepository<T>,
  id: string,
  revision: number | undefined,
  document: T,
): Promise<StoredDocument<T>> {
  if (document.id !== id)
    throw refuse([
      { path: 'document.id', message: `The ${nouns[repository.kind]} is called ${document.id}, the address ${id}.` },
    ]);
  return saveDocument(repository, id, revision, document);
}

/** @throws a refusal: 404 if it is not there or archived */
export async function findDocument<T>(repository: DocumentRepository<T>, id: string): Promise<StoredDocument<T>> {
  const found = await repository.find(id);
  if (!found || found.archivedAt !== null) throw missing(repository, id);
  return answer(found);
}

export const missing = ({ kind }: Pick<DocumentRepository<unknown>, 'kind'>, id: string): NotFoundException =>
  new NotFoundException(
    `There is no ${nouns[kind]} ${id}. If it was archived it can be restored${kind === 'jobs' ? ', below the list of jobs' : ''}.`,
  );

/** A document as it is sent. */
export const answer = <T>({ id, revision, updatedAt, document }: StoredDocument<T>): StoredDocument<T> => ({
  id,
  revision,
  updatedAt,
  document,
});
