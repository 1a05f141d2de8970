import { ConflictException, NotFoundException } from '@nestjs/common';
import type { StoredDocument } from '@usual-drag/contract';
import { sameValue } from '@usual-drag/core';
import { refuse } from '../http/envelope.pipe.ts';
import type { DocumentRepository, Kept } from '../database/document-repository.ts';

/** What one document of a kind is called in a refusal. */
const nouns = { jobs: 'job', instruments: 'instrument', 'meter-projects': 'meter project' } as const;

/**
 * Adds a new document, or saves one that was edited from `revision`. What is stored already, word for word, is saved.
 *
 * @throws a refusal: 404 where it is not there, 409 with the newest version where it has been changed since, so that none is lost
 */
export async function saveDocument<T>(
  repository: DocumentRepository<T>,
  id: string,
  revision: number | undefined,
  document: T,
): Promise<StoredDocument<T>> {
  const saved =
    revision === undefined ? await repository.insert(id, document) : await repository.replace(id, revision, document);
  if (saved) return answer(saved);
  const current = await findDocument(repository, id);
  // The same sent again, by a page that was left before it heard the answer: it is there already.
  if (sameValue(current.document, document)) return current;
  throw new ConflictException({
    message: `This ${nouns[repository.kind]} was changed in another window.`,
    details: { current },
  });
}

/** The same of a document that says its own id. */
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

/** @throws a refusal: 404 where it is not there or archived */
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
export const answer = <T>({ id, revision, updatedAt, document }: Kept<T>): StoredDocument<T> => ({
  id,
  revision,
  updatedAt,
  document,
});
