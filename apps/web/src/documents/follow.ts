import {
  followSteps,
  type DocumentChange,
  type DocumentKind,
  type DocumentOfKind,
  type Followed,
  type ReadingsStep,
  type StoredDocument,
} from '@usual-drag/contract';
import { devicesQuery } from '../api/devices.ts';
import { listen } from '../api/events.ts';
import { jobQuery } from '../api/jobs.ts';
import { listQuery, type ListedKind } from '../api/lists.ts';
import { queries } from '../api/queries.ts';
import { toast } from '../ui/toast.ts';
import { documentKey, documentState, openDocument, placeOfKey, useDocuments } from './documents.ts';
import { whenScreenChanges } from './followed.ts';
import { showInList } from './use-document-list.ts';

/** ms between two requests for the same document or list: many devices may save in one second. */
const pause = 300;

/** Announcements about a job. */
interface Announced {
  /** The newest announced revision. */
  readonly revision: number;
  /** Announced readings that are not in the open job yet, by the revision that contains them. */
  readonly steps: Map<number, ReadingsStep>;
}

const announced = new Map<string, Announced>();

/**
 * Updates the documents and lists on the screen when others change them.
 *
 * @param onAgain  called when the server can be reached again
 */
export function followChanges(onAgain: () => void): void {
  const follow = listen({
    onChange: receive,
    onOpen: (added) => {
      onAgain();
      // The revisions of documents are sent by the server.
      for (const subject of added) if (isList(subject)) refetchList(subject);
    },
    // A direct request returns the reason.
    onRefused: () => void queries.fetchQuery({ ...devicesQuery, staleTime: 0 }).catch(() => undefined),
  });
  whenScreenChanges(follow);
  // Changes that were announced during an unsaved edit are applied once it is saved.
  useDocuments.subscribe(({ open }, { open: before }) => {
    for (const key in open) if (open[key] !== before[key] && isBehind(key)) catchUp(key);
  });
}

const isList = (subject: Followed): subject is DocumentKind => !subject.includes('/');

function receive({ kind, id, revision, step }: DocumentChange): void {
  if (kind === 'jobs' || id === null || !isOwn(kind, id, revision)) refetchList(kind);
  if (kind !== 'jobs' || id === null || revision === null) return;
  const key = documentKey(kind, id);
  const before = announced.get(key);
  const steps = before?.steps ?? new Map<number, ReadingsStep>();
  if (step) steps.set(revision, step);
  announced.set(key, { revision: Math.max(revision, before?.revision ?? 0), steps });
  if (isBehind(key)) catchUp(key);
}

/** Requests a list again if it has been requested before. */
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
  return state?.saving.kind === 'saved' && (state.revision ?? 0) < (announced.get(key)?.revision ?? 0);
}

/** Applies the announced readings; requests the job if something else has changed or an announcement is missing. */
function catchUp(key: string): void {
  const { id } = placeOfKey(key);
  const { steps, revision: newest } = announced.get(key)!;
  const { revision, savedAt, document } = documentState(useDocuments.getState().open, 'jobs', id)!;
  const present = { id, revision: revision ?? 0, updatedAt: savedAt ?? '', document };
  const followed = followSteps(present, steps);
  for (const step of steps.keys()) if (step <= followed.revision) steps.delete(step);
  if (followed !== present) take('jobs', followed);
  else if (present.revision < newest) refetch(key);
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
