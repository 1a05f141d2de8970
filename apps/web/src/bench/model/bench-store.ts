import { atItsVersion, type Job } from '@usual-drag/core/job';
import { create } from 'zustand';
import { dispatch, documentState, useDocuments } from '../../documents/documents.ts';

/** The job on the bench, as everything on the bench sees it. */
export interface BenchJob {
  readonly jobId: string | null;
  readonly document: Job;
  /** Changes the job; the change can be undone. */
  edit(change: (job: Job) => Job): void;
}

const nothing: Job = { format: 'usual-drag/job', version: 1, network: { elements: [] } };

/** Which of the open documents lies on the bench. */
const useOnBench = create<{ readonly jobId: string | null }>()(() => ({ jobId: null }));

const jobOnBench = (jobId: string | null, open = useDocuments.getState().open): BenchJob => ({
  jobId,
  document: (jobId === null ? undefined : documentState(open, 'jobs', jobId)?.document) ?? nothing,
  edit,
});

/** A part of the job on the bench, followed live. */
export function useBench<Part>(select: (bench: BenchJob) => Part): Part {
  const jobId = useOnBench((state) => state.jobId);
  return useDocuments(({ open }) => select(jobOnBench(jobId, open)));
}

/** The job on the bench as it is now. */
export const benchNow = (): BenchJob => jobOnBench(useOnBench.getState().jobId);

export const putOnBench = (jobId: string): void => useOnBench.setState({ jobId });

function edit(change: (job: Job) => Job): void {
  editBench(change, false);
}

/** Changes the job as part of the edit before: undone together with it, as the letters of one word are. */
export const amend = (change: (job: Job) => Job): void => editBench(change, true);

function editBench(change: (job: Job) => Job, isAmended: boolean): void {
  const { jobId, document } = benchNow();
  if (jobId !== null)
    dispatch('jobs', jobId, { type: 'edited', document: atItsVersion(change(document)), amend: isAmended });
}

const step = (type: 'undone' | 'redone') => (): void => {
  const { jobId } = benchNow();
  if (jobId !== null) dispatch('jobs', jobId, { type });
};
export const undo = step('undone');
export const redo = step('redone');
