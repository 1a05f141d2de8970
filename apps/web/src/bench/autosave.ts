import type { Job } from '@usual-drag/core';
import { sameDocument } from '../api/conflict.ts';
import { Refused } from '../api/http.ts';
import type { OpenJob } from '@usual-drag/contract';
import { saveJob } from '../api/jobs.ts';
import { useBench } from './bench-store.ts';
import { dropDraft, keepDraft } from './drafts.ts';

const pause = 250;
const retry = 2000;

/**
 * Saves the job on the bench after every edit, one request at a time, each based on the revision before it.
 *
 * An edit is kept in the browser until the server has confirmed it. Where the server does not answer it is tried again;
 * where another window has saved in between, both versions are kept for the person to choose.
 *
 * @returns a function that stops it
 */
export function startAutosave(): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let busy = false;
  let confirmed: Job = useBench.getState().document;
  /** Sent, and no answer came: the server may have saved them all the same before it went away. */
  let unanswered: Job[] = [];

  const schedule = (delay: number): void => {
    clearTimeout(timer);
    timer = setTimeout(() => void save(), delay);
  };

  const settle = (jobId: string): void => {
    dropDraft(jobId);
    useBench.setState({ save: { kind: 'saved' } });
  };

  const save = async (): Promise<void> => {
    const { jobId, revision, document, save: state } = useBench.getState();
    if (busy || jobId === null || state.kind === 'conflict') return;
    if (document === confirmed) {
      if (state.kind === 'unsaved') settle(jobId);
      return;
    }
    busy = true;
    useBench.setState({ save: { kind: 'saving' } });
    try {
      const saved = await saveJob(jobId, revision, document);
      if (useBench.getState().jobId !== jobId) return dropDraft(jobId);
      confirmed = document;
      unanswered = [];
      const settled = useBench.getState().document === document;
      if (settled) dropDraft(jobId);
      useBench.setState({
        revision: saved.revision,
        savedAt: saved.updatedAt,
        save: { kind: settled ? 'saved' : 'unsaved' },
      });
      if (!settled) {
        keepDraft(jobId, { revision: saved.revision, document: useBench.getState().document });
        schedule(pause);
      }
    } catch (error) {
      if (useBench.getState().jobId !== jobId) return;
      const theirs = error instanceof Refused && error.status === 409 ? (error.details.current as OpenJob) : null;
      if (theirs && [document, ...unanswered].some((own) => sameDocument(own, theirs.document))) {
        // No other window's: it is what this one had sent.
        unanswered = [];
        useBench.setState({ revision: theirs.revision, savedAt: theirs.updatedAt, save: { kind: 'unsaved' } });
        schedule(0);
      } else if (theirs) useBench.setState({ save: { kind: 'conflict', theirs } });
      else if (error instanceof Refused) useBench.setState({ save: { kind: 'refused', message: error.message } });
      else {
        unanswered.push(document);
        useBench.setState({ save: { kind: 'offline' } });
        schedule(retry);
      }
    } finally {
      busy = false;
    }
  };

  const unsubscribe = useBench.subscribe((now, before) => {
    if (now.jobId !== before.jobId || now.revision !== before.revision) {
      if (now.save.kind === 'saved') confirmed = now.document;
      if (now.jobId !== before.jobId) return;
    }
    if (now.document === before.document || now.jobId === null) return;
    if (now.document === confirmed && now.save.kind === 'saved') return;
    keepDraft(now.jobId, { revision: now.revision, document: now.document });
    if (now.save.kind === 'saved' || now.save.kind === 'refused') useBench.setState({ save: { kind: 'unsaved' } });
    schedule(pause);
  });
  const online = (): void => schedule(0);
  window.addEventListener('online', online);
  return () => {
    unsubscribe();
    clearTimeout(timer);
    window.removeEventListener('online', online);
    void save();
  };
}
