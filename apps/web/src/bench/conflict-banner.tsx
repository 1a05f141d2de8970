import { useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import type { OpenJob } from '@usual-drag/contract';
import { createJob } from '../api/jobs.ts';
import { Button } from '../ui/button.tsx';
import { openOnBench, useBench } from './bench-store.ts';
import { dropDraft } from './drafts.ts';

/** Two windows have changed one job: both versions are here, and the person says what becomes of them. */
export function ConflictBanner({ theirs }: { readonly theirs: OpenJob }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const mine = useBench((state) => state.document);
  const takeTheirs = (): void => {
    dropDraft(theirs.id);
    openOnBench(theirs);
    toast('This window shows the other version now.', {
      action: { label: 'Bring mine back', onClick: () => useBench.getState().edit(() => mine) },
    });
  };
  const keepBoth = async (): Promise<void> => {
    try {
      const copy = await createJob({ ...mine, title: `${mine.title ?? 'Untitled'} (from this window)` });
      dropDraft(theirs.id);
      void queries.invalidateQueries({ queryKey: ['jobs'] });
      void navigate(`/bench/${copy.id}/setups`);
      toast('Your version is a job of its own now; the other one is unchanged.');
    } catch (error) {
      toast.error((error as Error).message);
    }
  };
  return (
    <div role="alert" className="flex flex-wrap items-center gap-3 border-b border-line bg-(--limit-ground) px-4 py-2">
      <p className="grow">
        <b>This job was changed in another window</b> (revision {theirs.revision}). Nothing is lost: your edit is still
        here.
      </p>
      <Button tone="strong" onClick={() => void keepBoth()}>
        Keep mine as a job of its own
      </Button>
      <Button onClick={takeTheirs}>Take the other version</Button>
    </div>
  );
}
