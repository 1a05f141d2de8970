import type { DocumentOfKind, StoredDocument } from '@usual-drag/contract';
import { useQuery } from '@tanstack/react-query';
import { listQuery, type ListedKind } from '../api/lists.ts';
import { queries } from '../api/queries.ts';
import { dispatch, documentState, openDocument, openDraft, placeOfKey, useDocuments } from './documents.ts';
import type { DocumentState } from './document-state.ts';
import { isTrouble, saveWords } from './save-words.ts';
import { isUnkept } from './saving.ts';

/** The documents of a kind as they are on the screen, edits that are not saved yet among them, and what can be done to them. */
export function useDocumentList<K extends ListedKind>(kind: K) {
  type T = DocumentOfKind[K];
  const { data: stored, error } = useQuery(listQuery(kind));
  return {
    list: stored as readonly StoredDocument<T>[] | undefined,
    error,
    add: (document: T): void => openDraft(kind, document.id, { document, revision: null }),
    save: (document: T): void => {
      const there = queries.getQueryData(listQuery(kind).queryKey)?.find(({ id }) => id === document.id);
      if (there && !documentState(useDocuments.getState().open, kind, document.id)) openDocument(kind, there as never);
      dispatch(kind, document.id, { type: 'edited', document });
    },
    undo: (id: string): void => dispatch(kind, id, { type: 'undone' }),
    redo: (id: string): void => dispatch(kind, id, { type: 'redone' }),
  };
}

/** State of an open document of a list; undefined if nothing was done to it yet. */
export const useDocumentState = <K extends ListedKind>(
  kind: K,
  id: string | undefined,
): DocumentState<DocumentOfKind[K]> | undefined =>
  useDocuments(({ open }) => (id === undefined ? undefined : documentState(open, kind, id)));

/** Returns the state of saving among the documents of a list: trouble first, then saving, else the last save. */
export const useListSaveWords = (kind: ListedKind): string =>
  useDocuments(({ open }) => {
    const own = Object.entries(open).filter(([key]) => placeOfKey(key).kind === kind);
    const [first] = own.sort(([, a], [, b]) => urgency(b) - urgency(a) || newest(b).localeCompare(newest(a)));
    return first ? saveWords(first[1], isUnkept(first[0])) : '';
  });

const urgency = (state: DocumentState<unknown>): number =>
  isTrouble(state) ? 2 : state.saving.kind === 'saved' ? 0 : 1;
const newest = ({ savedAt }: DocumentState<unknown>): string => savedAt ?? '';

/** Shows an open document in its list at once. */
export function showInList(key: string, state: DocumentState<unknown>): void {
  const { kind, id } = placeOfKey(key);
  if (kind === 'jobs') {
    if (state.saving.kind === 'saved') void queries.invalidateQueries({ queryKey: ['jobs'], exact: true });
    return;
  }
  const entry = { id, revision: state.revision ?? 0, updatedAt: state.savedAt ?? '', document: state.document };
  queries.setQueryData(listQuery(kind).queryKey, (before) => {
    if (!before) return before;
    const list = before as readonly StoredDocument<unknown>[];
    const there = list.some((one) => one.id === id);
    return (there ? list.map((one) => (one.id === id ? entry : one)) : [...list, entry]) as typeof before;
  });
}
