import type {
  DocumentChange,
  DocumentKind,
  DocumentOfKind,
  Followed,
  ReadingsStep,
  StoredDocument,
} from '@usual-drag/contract';
import { putReadings } from '@usual-drag/core/job';
import { devicesQuery } from '../api/devices.ts';
import { listen } from '../api/events.ts';
import { jobQuery } from '../api/jobs.ts';
import { listQuery, type ListedKind } from '../api/lists.ts';
import { queries } from '../api/queries.ts';
import { toast } from '../ui/toast.ts';
import { documentKey, documentState, openDocument, placeOfKey, useDocuments } from './documents.ts';
import { whenScreenChanges } from './followed.ts';
import { showInList } from './use-document-list.ts';

/** ms between two askings after the same: many devices may save in one second. */
const pause = 300;

/** Announcements about a job. */
interface Told {
  /** The newest revision. */
  readonly revision: number;
  /** Readings that make one revision of the one before, by the later one, until that one is here. */
  readonly steps: Map<number, ReadingsStep>;
}

const told = new Map<string, Told>();

/**
 * Keeps the documents and lists that are on the screen as the server has them, whoever changes them.
 *
 * @param onAgain  called when the server answers again
 */
export function followChanges(onAgain: () => void): void {
  const follow = listen({
    onChange: hear,
    onOpen: (begun) => {
      onAgain();
      // The server says the revisions of documents itself.
      for (const subject of begun) if (isList(subject)) refetchList(subject);
    },
    // A direct request returns the reason.
    onTurnedAway: () => void queries.fetchQuery({ ...devicesQuery, staleTime: 0 }).catch(() => undefined),
  });
  whenScreenChanges(follow);
  // Changes announced during an unsaved edit are taken once that is saved.
  useDocuments.subscribe(({ open }, { open: before }) => {
    for (const key in open) if (open[key] !== before[key] && isBehind(key)) catchUp(key);
  });
}

const isList = (subject: Followed): subject is DocumentKind => !subject.includes('/');

function hear({ kind, id, revision, step }: DocumentChange): void {
  if (kind === 'jobs' || id === null || !isOwn(kind, id, revision)) refetchList(kind);
  if (kind !== 'jobs' || id === null || revision === null) return;
  const key = documentKey(kind, id);
  const before = told.get(key);
  const steps = before?.steps ?? new Map<number, ReadingsStep>();
  if (step) steps.set(revision, step);
  told.set(key, { revision: Math.max(revision, before?.revision ?? 0), steps });
  if (isBehind(key)) catchUp(key);
}

/** Asks for a list again, if it was asked for before. */
function refetchList(kind: DocumentKind): void {
  if (kind === 'jobs' || queries.getQueryData(listQuery(kind).queryKey)) refetch(kind);
}

/** Returns whether this page has saved that itself. */
function isOwn(kind: DocumentKind, id: string, revision: number | null): boolean {
  const state = documentState(useDocuments.getState().open, kind, id);
  return state !== undefined && (state.saving.kind !== 'saved' || state.revision === revision);
}

function isBehind(key: string): boolean {
  const state = useDocuments.getState().open[key];
  return state?.saving.kind === 'saved' && (state.revision ?? 0) < (told.get(key)?.revision ?? 0);
}

/** Takes the readings that were announced; the document is asked for where something else has changed, or one was missed. */
function catchUp(key: string): void {
  const { id } = placeOfKey(key);
  const { steps, revision: newest } = told.get(key)!;
  let { revision, document } = documentState(useDocuments.getState().open, 'jobs', id)!;
  let updatedAt = '';
  for (let next = steps.get((revision ?? 0) + 1); next; next = steps.get(revision + 1)) {
    document = putReadings(document, next.readings);
    revision = (revision ?? 0) + 1;
    updatedAt = next.updatedAt;
  }
  for (const step of steps.keys()) if (step <= (revision ?? 0)) steps.delete(step);
  if (updatedAt !== '') take('jobs', { id, revision: revision!, updatedAt, document });
  else if ((revision ?? 0) < newest) refetch(key);
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
