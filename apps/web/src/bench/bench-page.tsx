import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link, useParams } from 'react-router';
import { jobQuery } from '../api/jobs.ts';
import { documentState, openDocument, useDocuments } from '../documents/documents.ts';
import { Bench } from './bench.tsx';
import { putOnBench, useBench } from './model/bench-store.ts';
import { useSelection } from './model/selection.ts';

/** Opens a job from the server and puts it on the bench, with what this browser had not saved of it. */
export function BenchPage() {
  const { jobId = '' } = useParams();
  // Read once: from here on the bench is ahead of the server.
  const { data, error } = useQuery({ ...jobQuery(jobId), staleTime: Infinity, gcTime: 0 });
  const isOpen = useDocuments(({ open }) => documentState(open, 'jobs', jobId) !== undefined);
  const onBench = useBench((state) => state.jobId);

  useEffect(() => {
    if (data) openDocument('jobs', data);
  }, [data]);
  useEffect(() => {
    putOnBench(jobId);
    useSelection.getState().clear();
  }, [jobId]);

  if (isOpen && onBench === jobId) return <Bench key={jobId} />;
  if (error)
    return (
      <div className="p-8">
        <p className="mb-2 text-lg">{error.message}</p>
        <Link className="underline" to="/">
          To the list of jobs
        </Link>
      </div>
    );
  return <p className="p-8 text-soft">Opening the job …</p>;
}
