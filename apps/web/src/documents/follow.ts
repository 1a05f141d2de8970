import type { DocumentChange, DocumentKind, DocumentOfKind, StoredDocument } from '@usual-drag/contract';
import { devicesQuery } from '../api/devices.ts';
import { listen } from '../api/events.ts';
import { jobQuery } from '../api/jobs.ts';
import { listQuery, type ListedKind } from '../api/lists.ts';
import { queries } from '../api/queries.ts';
import { toast } from '../ui/toast.ts';
import { documentKey, documentState, openDocument, placeOfKey, useDocuments } from './documents.ts';
import { showInList } from './use-document-list.ts';

/** ms between two askings after the same: many devices may save in one second. */
const pause = 300;

/** The newest revision that the server has announced, by document. */
const told = new Map<string, number>();

/**
 * Keeps what is open, and the lists, as the server has them, whoever changes them.
 *
 * @param onAgain  called when the server answers again
 */
export function followChanges(onAgain: () => void): void {
  const askForAll = (): void => {
    onAgain();
    for (const key in useDocuments.getState().open) refetch(key);
    for (const kind of ['instruments', 'meter-projects'] as const)
      if (queries.getQueryData(listQuery(kind).queryKey)) refetch(kind);
  };
  // A direct request returns the reason.
  listen(hear, askForAll, () => void queries.fetchQuery({ ...devicesQuery, staleTime: 0 }).catch(() => undefined));
  // Changes announced during an unsaved edit are requested once that is saved.
  useDocuments.subscribe(({ open }, { open: before }) => {
    for (const key in open) if (open[key] !== before[key] && isBehind(key)) refetch(key);
  });
}

function hear({ kind, id, revision }: DocumentChange): void {
  if (kind === 'jobs') refetch('jobs');
  else if (queries.getQueryData(listQuery(kind).queryKey) && (id === null || !isOwn(kind, id, revision))) refetch(kind);
  if (kind === 'jobs' && id !== null && revision !== null) {
    const key = documentKey(kind, id);
    told.set(key, Math.max(revision, told.get(key) ?? 0));
    if (isBehind(key)) refetch(key);
  }
}

/** Returns whether this page has saved that itself. */
function isOwn(kind: DocumentKind, id: string, revision: number | null): boolean {
  const state = documentState(useDocuments.getState().open, kind, id);
  return state !== undefined && (state.saving.kind !== 'saved' || state.revision === revision);
}

function isBehind(key: string): boolean {
  const state = useDocuments.getState().open[key];
  return state?.saving.kind === 'saved' && (state.revision ?? 0) < (told.get(key) ?? 0);
}

const waiting = new Map<string, 'under way' | 'asked again'>();

/** Asks the server for a document or a list, one at a time; once more if it was to be asked meanwhile. */
function refetch(what: string): void {
  if (waiting.has(what)) return void waiting.set(what, 'asked again');
  waiting.set(what, 'under way');
  const asked = ask(what).then(
    () => true,
    // Without an answer there is nothing to be heard either: it is asked again once there is.
    () => false,
  );
  void Promise.all([asked, new Promise((later) => setTimeout(later, pause))]).then(([isAnswered]) => {
    const isLeft = waiting.get(what) === 'asked again' || isBehind(what);
    waiting.delete(what);
    if (isAnswered && isLeft) refetch(what);
  });
}

async function ask(what: string): Promise<void> {
  if (what === 'jobs') return queries.invalidateQueries({ queryKey: ['jobs'], exact: true });
  if (what === 'instruments' || what === 'meter-projects') return askList(what);
  const { kind, id } = placeOfKey(what);
  if (kind !== 'jobs' || !documentState(useDocuments.getState().open, kind, id)) return;
  take(
    'jobs',
    await queries.fetchQuery({ ...jobQuery(id), queryKey: ['jobs', id, 'newest'], staleTime: 0, gcTime: 0 }),
  );
}

async function askList<K extends ListedKind>(kind: K): Promise<void> {
  const list = await queries.fetchQuery({ ...listQuery(kind), staleTime: 0 });
  for (const stored of list as readonly StoredDocument<DocumentOfKind[K]>[])
    if (documentState(useDocuments.getState().open, kind, stored.id)) take(kind, stored);
  // What is open may be newer than this answer: edited since it was asked for, or saved.
  for (const [key, state] of Object.entries(useDocuments.getState().open))
    if (placeOfKey(key).kind === kind) showInList(key, state);
}

function take<K extends DocumentKind>(kind: K, stored: StoredDocument<DocumentOfKind[K]>): void {
  const undoable = (): number => documentState(useDocuments.getState().open, kind, stored.id)?.past.length ?? 0;
  const before = undoable();
  openDocument(kind, stored);
  if (undoable() > before) toast('Changed on another device or in another window. Undo brings your version back.');
}
