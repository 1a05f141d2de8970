import type { JobSummary } from '@usual-drag/contract';
import { useQuery } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { toast } from '../ui/toast.ts';
import { kitQuery } from '../api/lists.ts';
import { Button } from '../ui/button.tsx';
import { codeLater } from '../ui/fetched-later.ts';
import { useFirstMinute } from './first-minute.ts';

const createFirstJob = codeLater(async () => (await import('./create-first-job.ts')).createFirstJob);

/** Offered once, to who opens the application for the first time: the float-level divider, in three short steps. */
export function FirstMinuteOffer({ jobs }: { readonly jobs: readonly JobSummary[] }) {
  const { done, begin, end } = useFirstMinute();
  const { data: kit = [] } = useQuery(kitQuery);
  const navigate = useNavigate();
  if (done) return null;
  const open = async (): Promise<void> => {
    const there = jobs.find(({ title }) => title === 'Float-level divider');
    const { id } = there ?? (await (await createFirstJob())(kit));
    begin();
    await navigate(`/bench/${id}/setups/S-1`);
  };
  return (
    <section
      aria-label="First minute"
      className="flex flex-wrap items-center gap-x-4 gap-y-2 rounded-xl border border-line bg-sheet px-4 py-3"
    >
      <p className="min-w-60 grow">
        <b>New here?</b> See in three steps how a meter changes what it measures.
      </p>
      <Button
        tone="strong"
        onClick={() => void open().catch((fault: Error) => toast.error(fault.message))}
        disabled={kit.length === 0}
      >
        Open the float-level divider
      </Button>
      <Button tone="quiet" onClick={end}>
        No, thanks
      </Button>
    </section>
  );
}
