import { documentKinds, type DocumentKind } from '@usual-drag/contract';
import type { Draft } from './document-state.ts';

/** A draft and whose it is. */
export interface FoundDraft {
  readonly kind: DocumentKind;
  readonly id: string;
  readonly draft: Draft<unknown>;
}

const stem = 'usual-drag/draft/';
/** This window, as long as it is open: two windows keep their drafts apart. */
const thisWindow = `${Date.now().toString(36)}${Math.random().toString(36).slice(2, 8)}`;

const keyOf = (kind: DocumentKind, id: string): string => `${stem}${thisWindow}/${kind}/${id}`;

/**
 * Keeps an unsaved edit in this browser, so that closing the window or losing the server loses nothing.
 *
 * @returns false if the browser has no room or does not allow it
 */
export function keepDraft(kind: DocumentKind, id: string, draft: Draft<unknown>): boolean {
  try {
    localStorage.setItem(keyOf(kind, id), JSON.stringify(draft));
    return true;
  } catch {
    return false;
  }
}

export const dropDraft = (kind: DocumentKind, id: string): void => localStorage.removeItem(keyOf(kind, id));

/** Says that this window is open, until it is closed or dies. */
export function holdWindow(): void {
  void navigator.locks?.request(`${stem}${thisWindow}`, () => new Promise(() => undefined));
}

/**
 * Takes over the drafts of windows that are no longer open, each once however many windows begin at the same time. Of two of the
 * same document the second stays for the next time: until the first is settled it must not take its place.
 */
export async function takeOverDrafts(): Promise<FoundDraft[]> {
  const take = async (): Promise<FoundDraft[]> => {
    const { held = [] } = (await navigator.locks?.query()) ?? {};
    const open = new Set(held.map(({ name }) => name));
    const taken = new Map<string, FoundDraft>();
    for (const key of Object.keys(localStorage).sort()) {
      const found = foundAt(key);
      if (!found || open.has(`${stem}${found.window}`) || found.window === thisWindow) continue;
      const name = `${found.kind}/${found.id}`;
      if (taken.has(name)) continue;
      if (!keepDraft(found.kind, found.id, found.draft)) continue;
      localStorage.removeItem(key);
      taken.set(name, found);
    }
    return [...taken.values()];
  };
  return navigator.locks ? navigator.locks.request(`${stem}take-over`, take) : take();
}

function foundAt(key: string): (FoundDraft & { readonly window: string }) | null {
  const place = placeOf(key);
  if (!place) return null;
  try {
    const draft = JSON.parse(localStorage.getItem(key) ?? 'null') as Draft<unknown> | null;
    return draft?.document ? { ...place, draft: { ...draft, revision: draft.revision ?? null } } : null;
  } catch {
    return null;
  }
}

function placeOf(key: string): { readonly window: string; readonly kind: DocumentKind; readonly id: string } | null {
  if (key.startsWith(stem)) {
    const [window, kind, ...id] = key.slice(stem.length).split('/');
    const known = documentKinds.find((one) => one === kind);
    return known && window ? { window, kind: known, id: id.join('/') } : null;
  }
  for (const [prefix, kind] of formerPrefixes)
    if (key.startsWith(prefix)) return { window: 'former', kind, id: key.slice(prefix.length) };
  return null;
}

/** Where earlier versions of the page kept theirs. */
const formerPrefixes = [
  ['usual-drag-draft-', 'jobs'],
  ['usual-drag-shelf-', 'instruments'],
  ['usual-drag-workpiece-', 'meter-projects'],
] as const;
