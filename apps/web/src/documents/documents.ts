import type { DocumentKind, DocumentOfKind, StoredDocument } from '@usual-drag/contract';
import { mergeJobs } from '@usual-drag/core/job';
import { create } from 'zustand';
import {
  asAWhole,
  nextState,
  openedState,
  unsavedState,
  type DocumentAction,
  type DocumentState,
  type Draft,
  type Merging,
} from './document-state.ts';

type AnyState = DocumentState<unknown>;

/** A name for a document of any kind. */
export const documentKey = (kind: DocumentKind, id: string): string => `${kind}/${id}`;

export function placeOfKey(key: string): { readonly kind: DocumentKind; readonly id: string } {
  const at = key.indexOf('/');
  return { kind: key.slice(0, at) as DocumentKind, id: key.slice(at + 1) };
}

/** The documents that are open in this window, by their names. */
export const useDocuments = create<{ readonly open: Readonly<Record<string, AnyState>> }>()(() => ({ open: {} }));

/** An open document; undefined if it is not open. */
export const documentState = <K extends DocumentKind>(
  open: Readonly<Record<string, AnyState>>,
  kind: K,
  id: string,
): DocumentState<DocumentOfKind[K]> | undefined =>
  open[documentKey(kind, id)] as DocumentState<DocumentOfKind[K]> | undefined;

/** Only jobs have parts that never conflict with another's: their readings. */
const mergingOf: Readonly<Record<DocumentKind, Merging<unknown>>> = {
  jobs: { both: mergeJobs, choosing: mergeJobs },
  instruments: asAWhole,
  'meter-projects': asAWhole,
};

/** Does something to an open document. */
export function dispatch(kind: DocumentKind, id: string, action: DocumentAction<unknown>): void {
  const key = documentKey(kind, id);
  const { open } = useDocuments.getState();
  const state = open[key];
  if (!state) return;
  const next = nextState(state, action, mergingOf[kind]);
  if (next !== state) useDocuments.setState({ open: { ...open, [key]: next } });
}

/** Opens the server's document, or takes over newer parts of it; an unsaved edit stays as it is. */
export function openDocument<K extends DocumentKind>(kind: K, stored: StoredDocument<DocumentOfKind[K]>): void {
  const key = documentKey(kind, stored.id);
  const { open } = useDocuments.getState();
  if (open[key]) dispatch(kind, stored.id, { type: 'refreshed', stored });
  else useDocuments.setState({ open: { ...open, [key]: openedState(stored) } });
}

/** Opens a new document, or what an earlier page left unsaved. */
export function openDraft(kind: DocumentKind, id: string, draft: Draft<unknown>): void {
  const { open } = useDocuments.getState();
  useDocuments.setState({ open: { ...open, [documentKey(kind, id)]: unsavedState(draft) } });
}

/** Forgets a document that was deleted for good. */
export function closeDocument(kind: DocumentKind, id: string): void {
  const { [documentKey(kind, id)]: _gone, ...open } = useDocuments.getState().open;
  useDocuments.setState({ open });
}
