import type { Job } from '@usual-drag/core';
import { temporal } from 'zundo';
import { create } from 'zustand';
import type { OpenJob } from '@usual-drag/contract';

/** How the last edit stands with the server. */
export type SaveState =
  | { readonly kind: 'saved' }
  | { readonly kind: 'unsaved' }
  | { readonly kind: 'saving' }
  | { readonly kind: 'offline' }
  | { readonly kind: 'refused'; readonly message: string }
  | { readonly kind: 'conflict'; readonly theirs: OpenJob };

interface BenchStore {
  readonly jobId: string | null;
  readonly revision: number;
  readonly savedAt: string | null;
  readonly save: SaveState;
  readonly document: Job;
  /** Changes the job; the change can be undone. */
  edit(change: (job: Job) => Job): void;
}

const nothing: Job = { format: 'usual-drag/job', version: 1, network: { elements: [] } };

/** The job on the bench, with undo and redo without limit. */
export const useBench = create<BenchStore>()(
  temporal(
    (set) => ({
      jobId: null,
      revision: 0,
      savedAt: null,
      save: { kind: 'saved' },
      document: nothing,
      edit: (change) =>
        set((state) => {
          const document = change(state.document);
          return document === state.document ? state : { document };
        }),
    }),
    {
      partialize: ({ document }) => ({ document }),
      equality: (past, now) => past.document === now.document,
    },
  ),
);

/** Puts a job on the bench and forgets the undo steps of the one before. */
export function openOnBench(job: OpenJob, document: Job = job.document): void {
  useBench.setState({
    jobId: job.id,
    revision: job.revision,
    savedAt: job.updatedAt,
    save: { kind: 'saved' },
    document,
  });
  useBench.temporal.getState().clear();
}

/** Shows the version that another window saved, as an edit of its own: undo brings back the one that was here. */
export function takeOther({ revision, updatedAt, document }: OpenJob): void {
  useBench.setState({ revision, savedAt: updatedAt, save: { kind: 'saved' }, document });
}

/** Changes the job as part of the edit before: undone together with it, as the letters of one word are. */
export function amend(change: (job: Job) => Job): void {
  const { pause, resume } = useBench.temporal.getState();
  pause();
  useBench.getState().edit(change);
  resume();
}

export const undo = (): void => useBench.temporal.getState().undo();
export const redo = (): void => useBench.temporal.getState().redo();
