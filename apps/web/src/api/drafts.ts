import type { QueryClient } from '@tanstack/react-query';
import { ask as askPerson } from '../ui/questions.ts';
import { newestOf, sameDocument } from './conflict.ts';
import type { ShelfAccess } from './shelf.ts';

interface Named {
  readonly id: string;
}

/** An edit that the server has not confirmed yet. */
interface Draft<T> {
  readonly document: T;
  /** The one that it is an edit of; none where it is new. */
  readonly revision?: number;
}

/** Keeps an unconfirmed edit in this browser, so that leaving the page loses nothing. */
export function keepDraft(prefix: string, document: Named, revision: number | undefined): void {
  const draft: Draft<Named> = { document, ...(revision !== undefined && { revision }) };
  try {
    localStorage.setItem(prefix + document.id, JSON.stringify(draft));
  } catch {
    // A full or forbidden store: the edit is still in the window and on its way to the server.
  }
}

/** Drops the draft of what was saved, or was refused for good; a later one stays. */
export function dropDraft(prefix: string, document: Named): void {
  const key = prefix + document.id;
  if (sameDocument(draftAt(key)?.document, document)) localStorage.removeItem(key);
}

/** After a save: its draft goes, and a later one is an edit of the revision that it made. */
export function settleDraft(prefix: string, saved: Named, revision: number): void {
  dropDraft(prefix, saved);
  const later = draftAt(prefix + saved.id);
  if (later) keepDraft(prefix, later.document, revision);
}

function draftAt<T extends Named>(key: string): Draft<T> | null {
  try {
    const draft = JSON.parse(localStorage.getItem(key) ?? 'null') as Draft<T> | null;
    return draft?.document ? draft : null;
  } catch {
    return null;
  }
}

/**
 * Saves what an earlier page had left unsaved. Where that has been changed elsewhere meanwhile both versions are kept and the
 * person is asked; what the server refuses otherwise, or does not answer, stays kept for another time.
 */
export async function resumeDrafts<T extends Named>(
  queries: QueryClient,
  { query, save, draftPrefix, nameOf }: ShelfAccess<T>,
  ask: typeof askPerson = askPerson,
): Promise<void> {
  const drafts = Object.keys(localStorage)
    .filter((key) => key.startsWith(draftPrefix))
    .flatMap((key) => draftAt<T>(key) ?? []);
  if (drafts.length === 0) return;
  const refresh = (): Promise<void> => queries.invalidateQueries({ queryKey: query.queryKey });
  const drop = (document: T): void => dropDraft(draftPrefix, document);
  const put = async (document: T, revision: number | undefined): Promise<void> => {
    try {
      await save(document, revision);
      drop(document);
    } catch (fault) {
      const newest = newestOf<T>(fault);
      if (!newest) return;
      if (sameDocument(newest.document, document)) return drop(document);
      ask({
        about: draftPrefix + document.id,
        text: `${nameOf(document)}: ${(fault as Error).message} There is an edit of yours that was not saved yet.`,
        answers: [
          { label: 'Keep mine', act: () => void put(document, newest.revision).then(refresh) },
          { label: 'Take theirs', act: () => drop(document) },
        ],
      });
    }
  };
  for (const { document, revision } of drafts) await put(document, revision);
  await refresh();
}
