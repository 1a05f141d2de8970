import type { JobSummary } from '@usual-drag/contract';
import { newJob } from '@usual-drag/core';
import { useQuery } from '@tanstack/react-query';
import { Archive, Copy, Download, Plus } from 'lucide-react';
import { Link, useNavigate } from 'react-router';
import { toast } from 'sonner';
import { archiveJob, createJob, duplicateJob, exportAddress, jobsQuery, restoreJob } from '../api/jobs.ts';
import { queries } from '../api/queries.ts';
import { Button } from '../ui/button.tsx';
import { offer } from '../ui/offer.ts';
import { ArchivedJobs } from './archived-jobs.tsx';
import { DamagedDocuments } from './damaged-documents.tsx';
import { JobFiles } from './job-files.tsx';
import { count, when } from '../ui/words.ts';

/** The start page: the jobs, the last changed first. */
export function JobsPage() {
  const { data: jobs, error } = useQuery({ ...jobsQuery, staleTime: 0 });
  const navigate = useNavigate();
  const attempt = (work: Promise<unknown>): void =>
    void work
      .catch((fault: Error) => toast.error(fault.message))
      .finally(() => void queries.invalidateQueries({ queryKey: ['jobs'] }));

  const create = async (): Promise<void> => {
    const job = await createJob(newJob('New job'));
    await navigate(`/bench/${job.id}/network`);
  };
  const archive = async ({ id, title }: JobSummary): Promise<void> => {
    await archiveJob(id);
    offer(`“${title ?? 'Untitled'}” archived.`, 'Undo', () => attempt(restoreJob(id)));
  };

  return (
    <main className="relative h-full overflow-y-auto">
      <div className="mx-auto flex max-w-4xl flex-col gap-5 px-6 py-8">
        <div className="flex flex-wrap items-center gap-3">
          <h1 className="grow text-[26px] font-bold">Jobs</h1>
          <JobFiles />
          <Button tone="strong" onClick={() => attempt(create())}>
            <Plus aria-hidden size={18} /> New job
          </Button>
        </div>
        {error && <p role="alert">{error.message} The list will come as soon as it does.</p>}
        <DamagedDocuments />
        {jobs?.length === 0 && (
          <p className="rounded-xl border border-dashed border-line bg-sheet p-6">
            No jobs yet. Begin a new one with the parts on your bench, or import a{' '}
            <code className="figures">.job.json</code>.
          </p>
        )}
        <ul className="flex flex-col gap-2">
          {jobs?.map((job) => (
            <JobLine
              key={job.id}
              job={job}
              onDuplicate={() => attempt(duplicateJob(job.id))}
              onArchive={() => attempt(archive(job))}
            />
          ))}
        </ul>
        <ArchivedJobs attempt={attempt} />
      </div>
    </main>
  );
}

/** A job of the list, and what can be done with it as a whole. */
function JobLine({
  job,
  onDuplicate,
  onArchive,
}: {
  readonly job: JobSummary;
  readonly onDuplicate: () => void;
  readonly onArchive: () => void;
}) {
  const name = job.title ?? 'job';
  return (
    <li className="flex items-center gap-2 rounded-xl border border-line bg-sheet pr-2 hover:border-soft">
      <Link to={`/bench/${job.id}/setups`} className="flex min-w-0 grow flex-col rounded-xl px-4 py-3">
        <span className="truncate text-[18px] font-bold">{job.title ?? 'Untitled'}</span>
        <span className="text-[14px] text-soft">
          {count(job.parts, 'part')} · {count(job.setups, 'set-up')} · changed {when(job.updatedAt)}
        </span>
      </Link>
      <Button tone="quiet" aria-label={`Duplicate ${name}`} title="Duplicate" onClick={onDuplicate}>
        <Copy aria-hidden size={18} />
      </Button>
      <a
        href={exportAddress(job.id)}
        download
        aria-label={`Export ${name}`}
        title="Export"
        className="inline-flex min-h-9 items-center rounded-lg px-3 hover:bg-sunk"
      >
        <Download aria-hidden size={18} />
      </a>
      <Button tone="quiet" aria-label={`Archive ${name}`} title="Archive" onClick={onArchive}>
        <Archive aria-hidden size={18} />
      </Button>
    </li>
  );
}
