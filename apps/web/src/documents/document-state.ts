import type { StoredDocument } from '@usual-drag/contract';
import { sameValue } from '@usual-drag/core';

/** How the last edit of a document stands with the server. */
export type SaveState<T> =
  | { readonly kind: 'saved' }
  /** Edited, and about to be sent. */
  | { readonly kind: 'unsaved' }
  | { readonly kind: 'sending'; readonly document: T }
  /** No answer: it is sent again and again. */
  | { readonly kind: 'unreachable' }
  /** The server could not store it, a full disk perhaps: it is sent again and again. */
  | { readonly kind: 'failed'; readonly message: string }
  /** The server would refuse it again: it waits for an edit. */
  | { readonly kind: 'refused'; readonly message: string }
  /** Another window changed it, or deleted it (null): a person is asked, and nothing is sent before. */
  | { readonly kind: 'conflict'; readonly theirs: StoredDocument<T> | null };

/** A document that is open in this window: as it is on the screen, what can be undone, and how it stands with the server. */
export interface DocumentState<T> {
  readonly document: T;
  readonly past: readonly T[];
  readonly future: readonly T[];
  /** The revision that the document is an edit of, until the server confirms a newer one; null where it has none yet. */
  readonly revision: number | null;
  /** What the server has at that revision, as far as this window knows. */
  readonly stored: T | null;
  /** ISO 8601. */
  readonly savedAt: string | null;
  readonly saving: SaveState<T>;
  /** Sent, and no answer came: the server may have saved them all the same. */
  readonly unanswered: readonly T[];
  /** A version that was not taken, on its way into the history. */
  readonly aside: { readonly revision: number; readonly document: T } | null;
}

export type DocumentAction<T> =
  | { readonly type: 'edited'; readonly document: T; readonly amend?: boolean }
  | { readonly type: 'undone' }
  | { readonly type: 'redone' }
  | { readonly type: 'refreshed'; readonly stored: StoredDocument<T> }
  | { readonly type: 'sent' }
  | { readonly type: 'saved'; readonly revision: number; readonly savedAt: string }
  | { readonly type: 'unreachable' }
  | { readonly type: 'failed'; readonly message: string }
  | { readonly type: 'refused'; readonly message: string }
  | { readonly type: 'conflicted'; readonly theirs: StoredDocument<T> | null }
  | { readonly type: 'keptMine' }
  | { readonly type: 'tookTheirs'; readonly mineIsKept?: boolean }
  | { readonly type: 'setAside' };

/** An edit that an earlier page left, or this one keeps in the browser until the server has confirmed it. */
export interface Draft<T> {
  readonly document: T;
  readonly revision: number | null;
  readonly aside?: DocumentState<T>['aside'];
}

/** A document as the server sent it. */
export const openedState = <T>({ revision, updatedAt, document }: StoredDocument<T>): DocumentState<T> => ({
  ...nothing,
  document,
  revision,
  stored: document,
  savedAt: updatedAt,
  saving: { kind: 'saved' },
});

/** A new document, or a draft: what the server has of it shows when it is sent. */
export const unsavedState = <T>({ document, revision, aside = null }: Draft<T>): DocumentState<T> => ({
  ...nothing,
  document,
  revision,
  stored: null,
  savedAt: null,
  saving: { kind: 'unsaved' },
  aside,
});

const nothing = { past: [], future: [], unanswered: [], aside: null } as const;

/** Everything that can happen to an open document, and what it is afterwards. */
export function nextState<T>(state: DocumentState<T>, action: DocumentAction<T>): DocumentState<T> {
  switch (action.type) {
    case 'edited': {
      if (action.document === state.document) return state;
      const past = action.amend ? state.past : [...state.past, state.document];
      return withDocument({ ...state, past, future: [] }, action.document);
    }
    case 'undone': {
      const last = state.past.at(-1);
      if (last === undefined) return state;
      return withDocument({ ...state, past: state.past.slice(0, -1), future: [...state.future, state.document] }, last);
    }
    case 'redone': {
      const next = state.future.at(-1);
      if (next === undefined) return state;
      return withDocument({ ...state, past: [...state.past, state.document], future: state.future.slice(0, -1) }, next);
    }
    case 'refreshed':
      // Only where nothing of this window's is under way; the question comes when that is sent.
      if (state.saving.kind !== 'saved' || action.stored.revision <= (state.revision ?? -1)) return state;
      return { ...openedState(action.stored), past: [...state.past, state.document] };
    case 'sent':
      return { ...state, saving: { kind: 'sending', document: state.document } };
    case 'saved':
      return confirmed(state, action.revision, sentOf(state), action.savedAt);
    case 'unreachable':
      return { ...state, unanswered: [...state.unanswered, sentOf(state)], saving: { kind: 'unreachable' } };
    case 'failed':
      return { ...state, saving: { kind: 'failed', message: action.message } };
    case 'refused':
      // What was typed meanwhile may be sound.
      if (state.document !== sentOf(state)) return { ...state, saving: { kind: 'unsaved' } };
      return { ...state, saving: { kind: 'refused', message: action.message } };
    case 'conflicted':
      return conflicted(state, action.theirs);
    case 'keptMine': {
      if (state.saving.kind !== 'conflict') return state;
      const { theirs } = state.saving;
      const base = { revision: theirs?.revision ?? null, stored: theirs?.document ?? null };
      return { ...state, ...base, unanswered: [], saving: { kind: 'unsaved' } };
    }
    case 'tookTheirs': {
      if (state.saving.kind !== 'conflict' || !state.saving.theirs) return state;
      const mine = { revision: state.revision ?? 0, document: state.document };
      return {
        ...openedState(state.saving.theirs),
        past: [...state.past, state.document],
        aside: action.mineIsKept ? null : mine,
      };
    }
    case 'setAside':
      return { ...state, aside: null };
  }
}

/** Whether something of the document is in this window alone. */
export const isUnsaved = <T>({ saving, aside }: DocumentState<T>): boolean => saving.kind !== 'saved' || aside !== null;

/** A document in place of the one that is there; what waits for an answer, or for a person, goes on waiting. */
function withDocument<T>(state: DocumentState<T>, document: T): DocumentState<T> {
  const { kind } = state.saving;
  if (kind !== 'saved' && kind !== 'unsaved' && kind !== 'refused') return { ...state, document };
  // Back to what the server has: nothing is left to be saved, unless it may have got something else meanwhile.
  const settled = document === state.stored && state.unanswered.length === 0;
  return { ...state, document, saving: { kind: settled ? 'saved' : 'unsaved' } };
}

const sentOf = <T>({ saving, document }: DocumentState<T>): T =>
  saving.kind === 'sending' ? saving.document : document;

/** The server has `stored` at `revision`. */
function confirmed<T>(state: DocumentState<T>, revision: number, stored: T, savedAt: string): DocumentState<T> {
  const settled = state.document === stored || sameValue(state.document, stored);
  return { ...state, revision, stored, savedAt, unanswered: [], saving: { kind: settled ? 'saved' : 'unsaved' } };
}

function conflicted<T>(state: DocumentState<T>, theirs: StoredDocument<T> | null): DocumentState<T> {
  if (theirs) {
    // What this window sent and had no answer to, or what it says itself, is nobody else's.
    const own = [state.document, sentOf(state), ...state.unanswered].some((one) => sameValue(one, theirs.document));
    if (own) return confirmed(state, theirs.revision, theirs.document, theirs.updatedAt);
  }
  return { ...state, saving: { kind: 'conflict', theirs } };
}
