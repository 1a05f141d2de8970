import type { Shelved } from '@usual-drag/contract';
import type { QueryClient } from '@tanstack/react-query';
import type { ShelfAccess } from './shelf.ts';

interface Named {
  readonly id: string;
}

/** Keeps an edit that the server has not confirmed yet in this browser, so that leaving the page loses nothing. */
export function keepDraft(prefix: string, document: Named): void {
  try {
    localStorage.setItem(prefix + document.id, JSON.stringify(document));
  } catch {
    // A full or forbidden store: the edit is still in the window and on its way to the server.
  }
}

/** Drops the draft that has been saved; a later one stays. */
export function dropDraft(prefix: string, saved: Named): void {
  if (localStorage.getItem(prefix + saved.id) === JSON.stringify(saved)) localStorage.removeItem(prefix + saved.id);
}

/** Saves what an earlier page had left unsaved. What the server refuses by now stays kept for another time. */
export async function resumeDrafts<T extends Named>(
  queries: QueryClient,
  { query, save, draftPrefix }: ShelfAccess<T>,
): Promise<void> {
  const keys = Object.keys(localStorage).filter((key) => key.startsWith(draftPrefix));
  if (keys.length === 0) return;
  const list = await (query.queryFn as () => Promise<Shelved<T>[]>)().catch(() => null);
  if (!list) return;
  for (const key of keys) {
    const document = JSON.parse(localStorage.getItem(key) ?? 'null') as T | null;
    if (!document) continue;
    const there = list.find(({ id }) => id === document.id);
    const saved = await save(document, there?.revision).catch(() => null);
    if (saved) localStorage.removeItem(key);
  }
  await queries.invalidateQueries({ queryKey: query.queryKey });
}
