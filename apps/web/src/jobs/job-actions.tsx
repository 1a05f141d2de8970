import type { JobSummary } from '@usual-drag/contract';
import { Archive, Copy, Download, Shuffle } from 'lucide-react';
import { Link } from 'react-router';
import { exportAddress } from '../api/jobs.ts';
import { Button } from '../ui/button.tsx';

export interface JobProps {
  readonly job: JobSummary;
  readonly onDuplicate: (job: JobSummary) => void;
  readonly onArchive: (job: JobSummary) => void;
}

/** Commands for a job as a whole. */
export function JobActions({ job, onDuplicate, onArchive }: JobProps) {
  const name = job.title ?? 'job';
  return (
    <span className="flex shrink-0">
      <Link
        to={`/new-circuit/${job.id}`}
        aria-label={`New circuit from the parts of ${name}`}
        title="New circuit from these parts"
        className="inline-flex min-h-9 items-center rounded-lg px-3 hover:bg-sunk pointer-coarse:min-h-11"
      >
        <Shuffle aria-hidden size={17} />
      </Link>
      <Button tone="quiet" aria-label={`Duplicate ${name}`} title="Duplicate" onClick={() => onDuplicate(job)}>
        <Copy aria-hidden size={17} />
      </Button>
      <a
        href={exportAddress(job.id)}
        download
        aria-label={`Export ${name}`}
        title="Export"
        className="inline-flex min-h-9 items-center rounded-lg px-3 hover:bg-sunk pointer-coarse:min-h-11"
      >
        <Download aria-hidden size={17} />
      </a>
      <Button tone="quiet" aria-label={`Archive ${name}`} title="Archive" onClick={() => onArchive(job)}>
        <Archive aria-hidden size={17} />
      </Button>
    </span>
  );
}
