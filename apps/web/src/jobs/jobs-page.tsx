import type { JobSummary } from '@usual-drag/contract';
import { atItsVersion, jobFrom, newJob, startingCircuits, type Job } from '@usual-drag/core/job';
import { dayOf } from '@usual-drag/core/instrument';
import { useQuery } from '@tanstack/react-query';
import { Suspense, useCallback, useDeferredValue, useMemo, useRef, useState } from 'react';
import { useInView } from 'react-intersection-observer';
import { useNavigate } from 'react-router';
import { toast } from '../ui/toast.ts';
import { archiveJob, createJob, duplicateJob, jobsQuery, restoreJob } from '../api/jobs.ts';
import { queries } from '../api/queries.ts';
import { FirstMinuteOffer } from '../first-minute/offer-card.tsx';
import { Button } from '../ui/button.tsx';
import { useCommands, type Command } from '../ui/commands.ts';
import { fetchedLater } from '../ui/fetched-later.ts';
import { useNewest } from '../ui/use-newest.ts';
import { offer } from '../ui/offer.ts';
import { Panel } from '../ui/panel.tsx';
import { useShownTheme } from '../ui/theme.ts';
import { count } from '../ui/words.ts';
import { ArchivedJobs } from './archived-jobs.tsx';
import { assetsOf, findJobs } from './find-jobs.ts';
import { JobCard } from './job-card.tsx';
import { JobFiles, JobFileInput } from './job-files.tsx';
import { JobFilters } from './job-filters.tsx';
import { NewJob } from './new-job.tsx';
import { OrderGroup } from './order-group.tsx';
import { byOrder } from './orders.ts';
import { useJobSearch } from './use-job-search.ts';

const NeedsAttention = fetchedLater(async () => (await import('./needs-attention.tsx')).NeedsAttention);
const JobTable = fetchedLater(async () => (await import('./job-table.tsx')).JobTable);

/** The start page, where work is found: the jobs as cards or in a table, searched, sorted and filtered. */
export function JobsPage() {
  const { data: jobs, error } = useQuery({ ...jobsQuery, staleTime: 0 });
  const navigate = useNavigate();
  const file = useRef<HTMLInputElement>(null);
  const search = useJobSearch();
  const [choices] = search;
  const asked = useDeferredValue(choices);
  const found = useMemo(() => findJobs(jobs ?? [], asked), [jobs, asked]);
  const create = (job: Job): void =>
    attempt(createJob(ofToday(job)).then(({ id }) => navigate(`/bench/${id}/network`)));
  const begin = useNewest(create);
  const commands = useMemo(
    (): Command[] => [
      { group: 'Actions', text: 'New job', run: () => begin(newJob('New job')) },
      { group: 'Actions', text: 'Import a job file', run: () => file.current?.click() },
      ...startingCircuits.map((circuit): Command => ({
        group: 'Actions',
        text: `New job from: ${circuit.name}`,
        run: () => begin(jobFrom(circuit)),
      })),
    ],
    [begin],
  );
  useCommands('jobs', commands);
  return (
    <main className="relative h-full overflow-y-auto">
      <div className="mx-auto flex max-w-6xl flex-col gap-4 px-4 py-5 sm:px-6">
        <div className="flex flex-wrap items-center gap-3">
          <h1 className="grow text-[26px] font-bold">Jobs</h1>
          <JobFiles />
          <NewJob onCreate={create} onImport={() => file.current?.click()} />
        </div>
        <JobFileInput ref={file} />
        {error && <p role="alert">{error.message} The list is loaded when it does.</p>}
        <Suspense fallback={null}>
          <NeedsAttention />
        </Suspense>
        {jobs && <FirstMinuteOffer jobs={jobs} />}
        {jobs?.length === 0 && <NoJobs onBegin={() => create(newJob('New job'))} />}
        {jobs && jobs.length > 0 && <JobFilters search={search} assets={assetsOf(jobs)} />}
        {/* All that stands below the list comes with it, so that it stays where it is first seen. */}
        {jobs && (
          <Panel name="The list of jobs">
            {jobs.length > 0 && <Found jobs={found} all={jobs.length} view={asked.view} />}
            <ArchivedJobs attempt={attempt} />
          </Panel>
        )}
      </div>
    </main>
  );
}

/** A job that begins today. */
const ofToday = (job: Job): Job => atItsVersion({ ...job, record: { ...job.record, date: dayOf(new Date()) } });

function attempt(work: Promise<unknown>): void {
  void work
    .catch((fault: Error) => toast.error(fault.message))
    .finally(() => void queries.invalidateQueries({ queryKey: ['jobs'] }));
}

const duplicate = ({ id }: JobSummary): void => attempt(duplicateJob(id));

const archive = ({ id, title }: JobSummary): void =>
  attempt(
    archiveJob(id).then(() => offer(`“${title ?? 'Untitled'}” archived.`, 'Undo', () => attempt(restoreJob(id)))),
  );

/** Number of jobs that are added to the page at a time. */
const page = 48;

interface FoundProps {
  readonly jobs: readonly JobSummary[];
  readonly all: number;
  readonly view: 'cards' | 'table';
}

/** Jobs that were found; more are displayed when the end of the list is reached. */
function Found({ jobs, all, view }: FoundProps) {
  const theme = useShownTheme();
  const [shown, setShown] = useState(page);
  const more = useCallback((isInView: boolean) => isInView && setShown((now) => now + page), []);
  const { ref } = useInView({ onChange: more, rootMargin: '600px' });
  return (
    <>
      <p role="status" className={jobs.length === all ? 'sr-only' : 'text-[14px] text-soft'}>
        {jobs.length === all ? count(all, 'job') : `${jobs.length} of ${count(all, 'job')}`}
        {jobs.length === 0 && ': change the search.'}
      </p>
      {view === 'cards' ? (
        byOrder(jobs.slice(0, shown)).map((group) => (
          <OrderGroup key={group.jobs[0]!.id} group={group}>
            <ul
              aria-label={group.order === null ? 'Jobs' : `Circuits of ${group.order}`}
              className="grid grid-cols-[repeat(auto-fill,minmax(min(18rem,100%),1fr))] gap-4"
            >
              {group.jobs.map((job) => (
                <JobCard key={job.id} job={job} theme={theme} onDuplicate={duplicate} onArchive={archive} />
              ))}
            </ul>
          </OrderGroup>
        ))
      ) : (
        <div className="relative overflow-x-auto rounded-xl border border-line bg-sheet px-2">
          <JobTable jobs={jobs} most={shown} onDuplicate={duplicate} onArchive={archive} />
        </div>
      )}
      {shown < jobs.length && <div ref={ref} className="h-px" />}
    </>
  );
}

function NoJobs({ onBegin }: { readonly onBegin: () => void }) {
  return (
    <div className="flex flex-col items-start gap-3 rounded-xl border border-dashed border-line bg-sheet p-6">
      <p>No jobs yet. Create one with the parts on your bench.</p>
      <Button tone="strong" onClick={onBegin}>
        Begin a job
      </Button>
    </div>
  );
}
