import { useQuery } from '@tanstack/react-query';
import { ArchiveRestore } from 'lucide-react';
import { deleteForGood } from '../api/documents.ts';
import { archivedJobsQuery, restoreJob } from '../api/jobs.ts';
import { DeleteForGood } from '../documents/delete-for-good.tsx';
import { closeDocument } from '../documents/documents.ts';
import { Button } from '../ui/button.tsx';
import { count, when } from '../ui/words.ts';

/** The archived jobs: each can be restored, or deleted for good. */
export function ArchivedJobs({ attempt }: { readonly attempt: (work: Promise<unknown>) => void }) {
  const { data: archived = [] } = useQuery({ ...archivedJobsQuery, staleTime: 0 });
  if (archived.length === 0) return null;
  return (
    <details className="text-[15px]">
      <summary className="w-fit cursor-pointer rounded-lg py-1 text-soft">
        {count(archived.length, 'archived job')}
      </summary>
      <ul className="mt-2 flex flex-col divide-y divide-line rounded-xl border border-line">
        {archived.map(({ id, title, parts, archivedAt }) => (
          <li key={id} className="flex flex-wrap items-center gap-2 py-1 pr-2 pl-4">
            <span className="min-w-0 grow truncate">
              <b>{title ?? 'Untitled'}</b>{' '}
              <span className="text-[14px] text-soft">
                {count(parts, 'part')} · archived {when(archivedAt!)}
              </span>
            </span>
            <Button tone="quiet" aria-label={`Restore ${title ?? 'job'}`} onClick={() => attempt(restoreJob(id))}>
              <ArchiveRestore aria-hidden size={18} /> Restore
            </Button>
            <DeleteForGood
              name={title ?? 'Untitled'}
              onDelete={() => attempt(deleteForGood('jobs', id).then(() => closeDocument('jobs', id)))}
            />
          </li>
        ))}
      </ul>
    </details>
  );
}
