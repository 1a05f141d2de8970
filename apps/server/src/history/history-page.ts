import type { History } from '@usual-drag/contract';
import { documentChanges } from '@usual-drag/core';
import type { DocumentRepository, Version } from '../database/document-repository.ts';

/** How many versions are told at a time. */
const page = 100;

/** A part of a document's history, each version with what changed from the one before it. */
export async function historyPage(
  repository: DocumentRepository<unknown>,
  id: string,
  before: number | undefined,
): Promise<History> {
  // One more than is told: the last told is compared with it.
  const versions = await repository.versions(id, page + 1, before);
  const told = versions.slice(0, page);
  const entries = told.map((version, at) => {
    const { entry, revision, savedAt, aside } = version;
    const former = versions.slice(at + 1).find((earlier) => !earlier.aside);
    const changes = former ? documentChanges(versionDocument(former), versionDocument(version)) : [];
    return { entry, revision, savedAt, aside, changes };
  });
  return { entries, before: versions.length > page ? (told.at(-1)!.entry ?? null) : null };
}

/** Null where the text is damaged. */
export function versionDocument({ document }: Version): unknown {
  try {
    return JSON.parse(document);
  } catch {
    return null;
  }
}
