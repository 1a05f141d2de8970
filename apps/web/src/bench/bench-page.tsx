import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link, useParams } from 'react-router';
import { jobQuery } from '../api/jobs.ts';
import { startAutosave } from './autosave.ts';
import { Bench } from './bench.tsx';
import { openOnBench, useBench } from './bench-store.ts';
import { findDraft } from './drafts.ts';
import { useSelection } from './selection.ts';

/** Opens a job from the server and puts it on the bench, with what this browser had not saved of it. */
export function BenchPage() {
  const { jobId = '' } = useParams();
  // Read once: from here on the bench is ahead of the server, and a second answer would undo what was typed.
  const { data, error } = useQuery({ ...jobQuery(jobId), staleTime: Infinity, gcTime: 0 });
  const opened = useBench((state) => state.jobId);

  useEffect(() => {
    if (!data) return;
    const draft = findDraft(data.id);
    openOnBench(data);
    useSelection.getState().clear();
    const stop = startAutosave();
    if (draft) {
      if (draft.revision !== data.revision) useBench.setState({ save: { kind: 'conflict', theirs: data } });
      useBench.getState().edit(() => draft.document);
    }
    return stop;
  }, [data]);

  if (error)
    return (
      <div className="p-8">
        <p className="mb-2 text-lg">{error.message}</p>
        <Link className="underline" to="/">
          To the list of jobs
        </Link>
      </div>
    );
  if (!data || opened !== jobId) return <p className="p-8 text-soft">Opening the job …</p>;
  return <Bench key={jobId} />;
}
