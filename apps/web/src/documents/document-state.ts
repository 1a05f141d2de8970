import type { StoredDocument } from '@usual-drag/contract';
import { sameValue } from '@usual-drag/core/job';

/** State of saving the last edit of a document. */
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

/** Open document of this window: its content, what can be undone, and its state on the server. */
export interface DocumentState<T> {
  readonly document: T;
  readonly past: readonly T[];
  readonly future: readonly T[];
  /** The revision that the document is an edit of, until the server confirms a newer one; null if it has none yet. */
  readonly revision: number | null;
  /** Document on the server at that revision, as far as this window has received it. */
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
  /** With what the server has now: what was sent, or what came of it and another device's. */
  | { readonly type: 'saved'; readonly stored: StoredDocument<T> }
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

/** Rules for joining two edits of one document. */
export interface Merging<T> {
  /** Both in one; null if a person has to choose. `base` is null if it is not known. */
  both(base: T | null, mine: T, theirs: T): T | null;
  /** Returns one of the two, with the parts of the other that never conflict. */
  choosing(base: T | null, mine: T, theirs: T, counts: 'mine' | 'theirs'): T;
}

/** Documents that are taken as a whole: one or the other. */
export const asAWhole: Merging<never> = {
  both: () => null,
  choosing: (_base, mine, theirs, counts) => (counts === 'mine' ? mine : theirs),
};

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
export function nextState<T>(
  state: DocumentState<T>,
  action: DocumentAction<T>,
  merging: Merging<T> = asAWhole,
): DocumentState<T> {
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
      // Only if this window has no unsaved edit: that is joined with it, or asked about, when it is sent.
      if (state.saving.kind !== 'saved' || action.stored.revision <= (state.revision ?? -1)) return state;
      return refreshed(state, action.stored, merging);
    case 'sent':
      return { ...state, saving: { kind: 'sending', document: state.document } };
    case 'saved':
      return saved(state, action.stored, merging);
    case 'unreachable':
      return {
        ...state,
        unanswered: [...new Set([...state.unanswered, sentOf(state)])],
        saving: { kind: 'unreachable' },
      };
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
      const document = theirs
        ? merging.choosing(state.stored, state.document, theirs.document, 'mine')
        : state.document;
      return { ...state, ...base, document, unanswered: [], saving: { kind: 'unsaved' } };
    }
    case 'tookTheirs': {
      if (state.saving.kind !== 'conflict' || !state.saving.theirs) return state;
      const { theirs } = state.saving;
      const mine = { revision: state.revision ?? 0, document: state.document };
      const taken = {
        ...openedState(theirs),
        past: [...state.past, state.document],
        aside: action.mineIsKept ? null : mine,
      };
      // A version that is kept as one of its own takes all of it along.
      if (action.mineIsKept) return taken;
      return withDocument(taken, merging.choosing(state.stored, state.document, theirs.document, 'theirs'));
    }
    case 'setAside':
      return { ...state, aside: null };
  }
}

/** Returns whether something of the document is in this window alone. */
export const isUnsaved = <T>({ saving, aside }: DocumentState<T>): boolean => saving.kind !== 'saved' || aside !== null;

/** Replaces the document; whatever waits for an answer or for a person keeps waiting. */
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

/** The server has stored what was sent, or, if another device had been saved meanwhile, what came of both. */
function saved<T>(state: DocumentState<T>, stored: StoredDocument<T>, merging: Merging<T>): DocumentState<T> {
  const sent = sentOf(state);
  const isAlone = state.revision === null || stored.revision === state.revision + 1 || sameValue(sent, stored.document);
  if (isAlone) return confirmed(state, stored.revision, sent, stored.updatedAt);
  const document = state.document === sent ? stored.document : merging.both(sent, state.document, stored.document);
  // Text typed since then conflicts with it.
  if (document === null) return { ...state, saving: { kind: 'conflict', theirs: stored } };
  const joined = { ...state, ...steps(state, sent, stored.document, merging), document };
  return confirmed(joined, stored.revision, stored.document, stored.updatedAt);
}

/** Another device has saved. If more has changed than parts that never conflict, it can be undone. */
function refreshed<T>(state: DocumentState<T>, stored: StoredDocument<T>, merging: Merging<T>): DocumentState<T> {
  const { past, future } = steps(state, state.document, stored.document, merging);
  const mine = merging.choosing(state.document, state.document, stored.document, 'mine');
  const isReplaced = !sameValue(mine, stored.document);
  return { ...openedState(stored), past: isReplaced ? [...past, mine] : past, future: isReplaced ? [] : future };
}

/** Returns the steps of undo and redo with another device's changes included, which this window cannot undo. */
function steps<T>(
  { past, future }: DocumentState<T>,
  base: T,
  theirs: T,
  merging: Merging<T>,
): Pick<DocumentState<T>, 'past' | 'future'> {
  const joined = (mine: T): T => merging.both(base, mine, theirs) ?? merging.choosing(base, mine, theirs, 'mine');
  return { past: past.map(joined), future: future.map(joined) };
}

function conflicted<T>(state: DocumentState<T>, theirs: StoredDocument<T> | null): DocumentState<T> {
  if (theirs) {
    // What this window sent and had no answer to, or what it says itself, is nobody else's.
    const own = [state.document, sentOf(state), ...state.unanswered].some((one) => sameValue(one, theirs.document));
    if (own) return confirmed(state, theirs.revision, theirs.document, theirs.updatedAt);
  }
  return { ...state, saving: { kind: 'conflict', theirs } };
}
