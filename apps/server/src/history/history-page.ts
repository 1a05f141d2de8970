import type { History } from '@usual-drag/contract';
import { documentChanges } from '@usual-drag/core/job';
import type { DocumentRepository } from '../database/document-repository.ts';
import { slices } from '../work/slices.ts';

/** Number of versions that are listed at a time. */
const page = 100;

/** A part of a document's history, each version with what changed from the one before it. */
export async function historyPage(
  repository: DocumentRepository<unknown>,
  id: string,
  before: number | undefined,
): Promise<History> {
  // One more than is listed: the last listed is compared with it.
  const versions = await repository.versions(id, page + 1, before);
  const changes: string[][] = [];
  let former: unknown = null;
  const breathe = slices();
  // From the oldest on, so that two documents at a time are in memory.
  for (const [index, { entry, aside }] of [...versions.entries()].reverse()) {
    const document = parsedDocument(await repository.versionText(id, entry));
    changes[index] = former === null ? [] : documentChanges(former, document);
    if (!aside) former = document;
    await breathe();
  }
  const listed = versions.slice(0, page);
  return {
    entries: listed.map((version, index) => ({ ...version, changes: changes[index]! })),
    before: versions.length > page ? listed.at(-1)!.entry : null,
  };
}

/** Null if the text is damaged. */
export function parsedDocument(text: string | null): unknown {
  try {
    return JSON.parse(text ?? '');
  } catch {
    return null;
  }
}
