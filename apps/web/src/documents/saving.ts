import { savedJob, type DocumentKind, type StoredDocument } from '@usual-drag/contract';
import { changedReadings, type Job } from '@usual-drag/core/job';
import { saveDocument, setVersionAside } from '../api/documents.ts';
import { Failed, Refused, Unreachable } from '../api/http.ts';
import { saveReadings } from '../api/jobs.ts';
import { isUnsaved, type DocumentState } from './document-state.ts';
import { dispatch, openDraft, placeOfKey, useDocuments } from './documents.ts';
import { dropDraft, holdWindow, keepDraft, takeOverDrafts } from './drafts.ts';

/** ms from an edit until it is sent: the letters of a word go together. */
const pause = 250;
/** ms between two tries. */
const retryDelayMs = { unreachable: 2000, failed: 5000 } as const;

const timers = new Map<string, ReturnType<typeof setTimeout>>();
/** Documents whose draft the browser has no room for: the window must stay open until they are saved. */
const unkept = new Set<string>();

/**
 * Saves every open document after its edits, one request at a time for each, and keeps unsaved ones in the browser. Begins with
 * what windows that are no longer open had left.
 *
 * @param onChange  called with every change of a document, saved or not
 */
export function startSaving(onChange: (key: string, state: DocumentState<unknown>) => void): void {
  holdWindow();
  useDocuments.subscribe(({ open }, { open: before }) => {
    for (const key in before) if (!open[key]) forget(key);
    for (const key in open) {
      if (open[key] === before[key]) continue;
      keepUnsaved(key, open[key]!, before[key]);
      schedule(key, open[key]!, before[key]);
      onChange(key, open[key]!);
    }
  });
  window.addEventListener('online', sendAgain);
  window.addEventListener('beforeunload', (event) => {
    if (unkept.size > 0) event.preventDefault();
  });
  void takeOverDrafts().then((found) => {
    for (const { kind, id, draft } of found) openDraft(kind, id, draft);
  });
}

/** Sends at once what waits for its next try: the server is there again. */
export function sendAgain(): void {
  for (const [key, { saving }] of Object.entries(useDocuments.getState().open))
    if (saving.kind === 'unreachable' || saving.kind === 'failed') void send(key);
}

/** Returns whether closing the window would lose an edit of a document: it is neither saved nor kept in the browser. */
export const isUnkept = (key: string): boolean => unkept.has(key);

/** Forgets a document that was closed for good: it is neither sent nor stored. */
function forget(key: string): void {
  const { kind, id } = placeOfKey(key);
  clearTimeout(timers.get(key));
  timers.delete(key);
  unkept.delete(key);
  dropDraft(kind, id);
}

function keepUnsaved(key: string, state: DocumentState<unknown>, before: DocumentState<unknown> | undefined): void {
  const { kind, id } = placeOfKey(key);
  const { document, revision, aside } = state;
  if (!isUnsaved(state)) {
    unkept.delete(key);
    return dropDraft(kind, id);
  }
  const isKept = before && isUnsaved(before) && before.document === document && before.revision === revision;
  if (isKept && before.aside === aside) return;
  if (keepDraft(kind, id, { document, revision, ...(aside && { aside }) })) unkept.delete(key);
  else unkept.add(key);
}

function schedule(
  key: string,
  { saving, document, aside }: DocumentState<unknown>,
  before?: DocumentState<unknown>,
): void {
  if (saving.kind === 'unsaved' && (before?.saving.kind !== 'unsaved' || before.document !== document))
    sendAfter(key, pause);
  else if ((saving.kind === 'unreachable' || saving.kind === 'failed') && before?.saving.kind !== saving.kind)
    sendAfter(key, retryDelayMs[saving.kind]);
  if (aside && before?.aside !== aside) void sendAside(key);
}

function sendAfter(key: string, delay: number): void {
  clearTimeout(timers.get(key));
  timers.set(
    key,
    setTimeout(() => void send(key), delay),
  );
}

async function send(key: string): Promise<void> {
  const { kind, id } = placeOfKey(key);
  const state = useDocuments.getState().open[key];
  if (!state || !['unsaved', 'unreachable', 'failed'].includes(state.saving.kind)) return;
  clearTimeout(timers.get(key));
  dispatch(kind, id, { type: 'sent' });
  try {
    const stored = await save(kind, id, state);
    dispatch(kind, id, { type: 'saved', stored });
  } catch (error) {
    const { message } = error as Error;
    const current =
      error instanceof Refused ? (error.details.current as StoredDocument<unknown> | undefined) : undefined;
    if (current) dispatch(kind, id, { type: 'conflicted', theirs: current });
    else if (error instanceof Refused && error.status === 404) dispatch(kind, id, { type: 'conflicted', theirs: null });
    else if (error instanceof Refused) dispatch(kind, id, { type: 'refused', message });
    else if (error instanceof Failed) dispatch(kind, id, { type: 'failed', message });
    else dispatch(kind, id, { type: 'unreachable' });
  }
}

/** Saves an edit: only the readings if nothing else of a job has changed, otherwise the whole document. */
async function save(
  kind: DocumentKind,
  id: string,
  { document, stored, revision }: DocumentState<unknown>,
): Promise<StoredDocument<unknown>> {
  if (kind === 'jobs' && stored !== null && revision !== null) {
    const base = stored as Job;
    const readings = changedReadings(base, document as Job);
    const saved = readings?.length ? await saveReadings(id, revision, readings).catch(nullIfRefused) : null;
    if (saved) return savedJob(base, saved);
  }
  return saveDocument(kind, id, document as never, revision);
}

/** The whole job is sent after a refusal, so that refusals and conflicts are handled in one place. */
function nullIfRefused(error: unknown): null {
  if (error instanceof Refused) return null;
  throw error;
}

async function sendAside(key: string): Promise<void> {
  const { kind, id } = placeOfKey(key);
  const aside = useDocuments.getState().open[key]?.aside;
  if (!aside) return;
  try {
    await setVersionAside(kind, id, aside);
    dispatch(kind, id, { type: 'setAside' });
  } catch (error) {
    // Refused once, it would be again: it can still be undone to, and is on the screen of nobody else.
    if (error instanceof Refused) dispatch(kind, id, { type: 'setAside' });
    else setTimeout(() => void sendAside(key), retryDelayMs[error instanceof Unreachable ? 'unreachable' : 'failed']);
  }
}
