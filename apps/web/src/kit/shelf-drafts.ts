import type { KitInstrument } from '@usual-drag/core';
import type { QueryClient } from '@tanstack/react-query';
import { ask } from '../api/http.ts';
import { saveInstrument, shelfQuery } from '../api/kit.ts';
import type { ShelvedInstrument } from '@usual-drag/contract';

const prefix = 'usual-drag-shelf-';

/** Keeps an edit that the server has not confirmed yet in this browser, so that leaving the page loses nothing. */
export function keepShelfDraft(document: KitInstrument): void {
  try {
    localStorage.setItem(prefix + document.id, JSON.stringify(document));
  } catch {
    // A full or forbidden store: the edit is still in the window and on its way to the server.
  }
}

/** Drops the draft that has been saved; a later one stays. */
export function dropShelfDraft(saved: KitInstrument): void {
  if (localStorage.getItem(prefix + saved.id) === JSON.stringify(saved)) localStorage.removeItem(prefix + saved.id);
}

/** Saves what an earlier page had left unsaved. What the server refuses by now stays kept for another time. */
export async function resumeShelfDrafts(queries: QueryClient): Promise<void> {
  const keys = Object.keys(localStorage).filter((key) => key.startsWith(prefix));
  if (keys.length === 0) return;
  const shelf = await ask<ShelvedInstrument[]>('GET', '/instruments').catch(() => null);
  if (!shelf) return;
  for (const key of keys) {
    const document = JSON.parse(localStorage.getItem(key) ?? 'null') as KitInstrument | null;
    if (!document) continue;
    const there = shelf.find(({ id }) => id === document.id);
    const saved = await saveInstrument(document, there?.revision).catch(() => null);
    if (saved) localStorage.removeItem(key);
  }
  await queries.invalidateQueries(shelfQuery);
}
