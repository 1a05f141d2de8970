import type { JobSummary } from '@usual-drag/contract';
import { newJob } from '@usual-drag/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { ArchiveRestore, Copy, Download, FileUp, Plus, Trash2 } from 'lucide-react';
import { useRef } from 'react';
import { Link, useNavigate } from 'react-router';
import { toast } from 'sonner';
import {
  binQuery,
  createJob,
  deleteJob,
  duplicateJob,
  exportAddress,
  importJob,
  jobsQuery,
  restoreJob,
} from '../api/jobs.ts';
import { Button } from '../ui/button.tsx';
import { FileInput } from '../ui/file-input.tsx';
import { offer } from '../ui/offer.ts';

/** The start page: the jobs, the last changed first. */
export function JobsPage() {
  const { data: jobs, error } = useQuery({ ...jobsQuery, staleTime: 0 });
  const queries = useQueryClient();
  const navigate = useNavigate();
  const refresh = () => queries.invalidateQueries({ queryKey: ['jobs'] });
  const attempt = (work: Promise<unknown>): void =>
    void work.catch((fault: Error) => toast.error(fault.message)).finally(() => void refresh());

  const create = async (): Promise<void> => {
    const job = await createJob(newJob('New job'));
    void navigate(`/bench/${job.id}/network`);
  };
  const remove = async ({ id, title }: JobSummary): Promise<void> => {
    await deleteJob(id);
    offer(`“${title ?? 'Untitled'}” deleted.`, 'Undo', () => attempt(restoreJob(id)));
  };

  return (
    <main className="relative h-full overflow-y-auto">
      <div className="mx-auto flex max-w-4xl flex-col gap-5 px-6 py-8">
        <div className="flex flex-wrap items-center gap-3">
          <h1 className="grow text-[26px] font-bold">Jobs</h1>
          <ImportButton onDone={(id) => void navigate(`/bench/${id}/setups`)} />
          <Button tone="strong" onClick={() => attempt(create())}>
            <Plus aria-hidden size={18} /> New job
          </Button>
        </div>
        {error && <p role="alert">{error.message} The list will come as soon as it does.</p>}
        {jobs?.length === 0 && (
          <p className="rounded-xl border border-dashed border-line bg-sheet p-6">
            No jobs yet. Begin a new one with the parts on your bench, or import a{' '}
            <code className="figures">.job.json</code>.
          </p>
        )}
        <ul className="flex flex-col gap-2">
          {jobs?.map((job) => (
            <li
              key={job.id}
              className="flex items-center gap-2 rounded-xl border border-line bg-sheet pr-2 hover:border-soft"
            >
              <Link to={`/bench/${job.id}/setups`} className="flex min-w-0 grow flex-col rounded-xl px-4 py-3">
                <span className="truncate text-[18px] font-bold">{job.title ?? 'Untitled'}</span>
                <span className="text-[14px] text-soft">
                  {count(job.parts, 'part')} · {count(job.setups, 'set-up')} · changed {when(job.updatedAt)}
                </span>
              </Link>
              <Button
                tone="quiet"
                aria-label={`Duplicate ${job.title ?? 'job'}`}
                title="Duplicate"
                onClick={() => attempt(duplicateJob(job.id))}
              >
                <Copy aria-hidden size={18} />
              </Button>
              <a
                href={exportAddress(job.id)}
                download
                aria-label={`Export ${job.title ?? 'job'}`}
                title="Export"
                className="inline-flex min-h-9 items-center rounded-lg px-3 hover:bg-sunk"
              >
                <Download aria-hidden size={18} />
              </a>
              <Button
                tone="quiet"
                aria-label={`Delete ${job.title ?? 'job'}`}
                title="Delete"
                onClick={() => attempt(remove(job))}
              >
                <Trash2 aria-hidden size={18} />
              </Button>
            </li>
          ))}
        </ul>
        <Bin onRestore={(id) => attempt(restoreJob(id))} />
      </div>
    </main>
  );
}

/** The deleted jobs: none is gone for good. */
function Bin({ onRestore }: { readonly onRestore: (id: string) => void }) {
  const { data: deleted = [] } = useQuery({ ...binQuery, staleTime: 0 });
  if (deleted.length === 0) return null;
  return (
    <details className="text-[15px]">
      <summary className="w-fit cursor-pointer rounded-lg py-1 text-soft">
        {count(deleted.length, 'deleted job')}, none gone for good
      </summary>
      <ul className="mt-2 flex flex-col divide-y divide-line rounded-xl border border-line">
        {deleted.map(({ id, title, parts, deletedAt }) => (
          <li key={id} className="flex items-center gap-3 py-1 pr-2 pl-4">
            <span className="min-w-0 grow truncate">
              <b>{title ?? 'Untitled'}</b>{' '}
              <span className="text-[14px] text-soft">
                {count(parts, 'part')} · deleted {when(deletedAt!)}
              </span>
            </span>
            <Button tone="quiet" aria-label={`Bring back ${title ?? 'job'}`} onClick={() => onRestore(id)}>
              <ArchiveRestore aria-hidden size={18} /> Bring back
            </Button>
          </li>
        ))}
      </ul>
    </details>
  );
}

/** Reads a file, checks it here so that its faults show at once, and gives it to the server. */
function ImportButton({ onDone }: { readonly onDone: (id: string) => void }) {
  const input = useRef<HTMLInputElement>(null);
  const take = async (file: File): Promise<void> => {
    const { readJob } = await import('@usual-drag/contract');
    const job = readJob(await file.text());
    if (!job.ok) {
      const more = job.fault.length > 1 ? ` (and ${job.fault.length - 1} more)` : '';
      return void toast.error(`${file.name}: ${job.fault[0]?.message}${more}`, { duration: 15_000 });
    }
    const stored = await importJob(job.value).catch((fault: Error) => void toast.error(fault.message));
    if (stored) onDone(stored.id);
  };
  return (
    <>
      <FileInput
        ref={input}
        label="Job file to import"
        accept=".json,application/json"
        onTake={(file) => void take(file)}
      />
      <Button onClick={() => input.current?.click()}>
        <FileUp aria-hidden size={18} /> Import
      </Button>
    </>
  );
}

const count = (n: number, what: string): string => `${n} ${what}${n === 1 ? '' : 's'}`;

const when = (at: string): string =>
  new Date(at).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });
