import { useQuery } from '@tanstack/react-query';
import { dayOf } from '@usual-drag/core/instrument';
import { editRecord, type Job } from '@usual-drag/core/job';
import { useParams, useNavigate } from 'react-router';
import { createJob, jobQuery } from '../api/jobs.ts';
import { queries } from '../api/queries.ts';
import { dispatch, documentState, openDocument, useDocuments } from '../documents/documents.ts';
import { toast } from '../ui/toast.ts';
import { NewCircuitForm } from './new-circuit-form.tsx';

/** Another circuit from the parts of a job, as a job of its own. */
export function NewCircuitPage() {
  const { jobId = '' } = useParams();
  const { data, error } = useQuery(jobQuery(jobId));
  // What is open in this window may have edits that the server does not have yet.
  const open = useDocuments((state) => documentState(state.open, 'jobs', jobId)?.document);
  const job = open ?? data?.document;
  const navigate = useNavigate();
  const make = async (next: Job): Promise<void> => {
    try {
      const { id } = await createJob(next);
      if (job && data && next.record?.order !== undefined && job.record?.order === undefined) {
        // They are circuits of one order only if both have its number.
        if (!open) openDocument('jobs', data);
        dispatch('jobs', jobId, {
          type: 'edited',
          document: editRecord(job, { ...job.record, order: next.record.order }),
        });
      }
      await queries.invalidateQueries({ queryKey: ['jobs'] });
      // A circuit whose parts came from one that was read is to be read as well.
      const isRead = (job?.readings ?? []).length > 0;
      await navigate(`/bench/${id}/${isRead ? 'readings' : 'network'}`);
    } catch (fault) {
      toast.error((fault as Error).message);
    }
  };
  return (
    <main className="relative h-full overflow-y-auto">
      <div className="mx-auto flex max-w-6xl flex-col gap-4 px-4 py-4 sm:px-6">
        <h1 className="text-[26px] font-bold">New circuit{job && ` from the parts of “${job.title ?? 'Untitled'}”`}</h1>
        {error && <p role="alert">{error.message}</p>}
        {job && <NewCircuitForm key={jobId} job={job} today={dayOf(new Date())} onMake={(next) => void make(next)} />}
      </div>
    </main>
  );
}
