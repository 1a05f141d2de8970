import { useQueries, useQuery } from '@tanstack/react-query';
import type { JobSummary } from '@usual-drag/contract';
import type { Job } from '@usual-drag/core/job';
import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { jobQuery, jobsQuery } from '../api/jobs.ts';
import { FitPanel } from '../bench/readings/diagnosis/fit-panel.tsx';
import { NetworkPicture } from '../drawing/network-picture.tsx';
import { circuitsOf } from '../jobs/orders.ts';
import { Button } from '../ui/button.tsx';
import { toast } from '../ui/toast.ts';
import { readInWords } from '../ui/words.ts';
import { PlanOfOrder } from './order-plan.tsx';
import { PartsTogether } from './parts-together.tsx';
import { saveOrderReport } from './save-order-report.ts';

/** An order: its circuits, their plan, the resistances of the parts, and the report. */
export function OrderPage() {
  const { order = '' } = useParams();
  const { data: jobs, error } = useQuery({ ...jobsQuery, staleTime: 0 });
  const circuits = useMemo(() => circuitsOf(jobs ?? [], order), [jobs, order]);
  const documents = useQueries({
    queries: circuits.map(({ id }) => ({ ...jobQuery(id), staleTime: 0 })),
    combine: (found) => found.flatMap(({ data }) => (data ? [data.document] : [])),
  });
  const [isSaving, setSaving] = useState(false);
  const save = async (): Promise<void> => {
    setSaving(true);
    await saveOrderReport(order, documents).catch((fault: Error) => toast.error(`Not saved: ${fault.message}`));
    setSaving(false);
  };
  const isComplete = jobs !== undefined && documents.length === circuits.length;
  return (
    <main className="relative h-full overflow-y-auto">
      <div className="mx-auto flex max-w-6xl flex-col gap-5 px-4 py-4 sm:px-6">
        <div className="flex flex-wrap items-center gap-3">
          <h1 className="grow text-[26px] font-bold">Order {order}</h1>
          <span role="status" className="text-[14px] text-soft">
            {isSaving && 'Making the report …'}
          </span>
          <Button disabled={!isComplete || documents.length === 0 || isSaving} onClick={() => void save()}>
            Save report
          </Button>
        </div>
        {error && <p role="alert">{error.message}</p>}
        {!isComplete && !error && <p className="text-soft">Fetching its circuits …</p>}
        {isComplete && circuits.length === 0 && <p>No job has this order number.</p>}
        {isComplete && documents[0] && (
          <>
            <Circuits circuits={circuits} documents={documents} />
            <PlanOfOrder circuits={circuits} documents={documents} />
            <PartsTogether circuits={circuits} documents={documents} />
            <div className="max-w-xl">
              <FitPanel
                key={order}
                job={documents[0]}
                jobId={circuits[0]!.id}
                joins={circuits.slice(1).map(({ id }) => id)}
              />
            </div>
          </>
        )}
      </div>
    </main>
  );
}

interface Props {
  readonly circuits: readonly JobSummary[];
  /** Jobs of the circuits, in the same sequence. */
  readonly documents: readonly Job[];
}

/** The circuits in the sequence of their creation, each a link to its bench. */
function Circuits({ circuits, documents }: Props) {
  return (
    <ol aria-label="Circuits" className="grid grid-cols-[repeat(auto-fill,minmax(min(13rem,100%),1fr))] gap-3">
      {circuits.map(({ id, title, readings }, index) => (
        <li key={id} className="rounded-xl border border-line bg-sheet hover:border-soft">
          <Link to={`/bench/${id}/setups`} className="flex h-full flex-col gap-1 p-3">
            <span aria-hidden>
              <NetworkPicture
                network={documents[index]!.network}
                label=""
                bare
                height={200}
                className="h-28 max-sm:h-20"
              />
            </span>
            <b>
              {index + 1} {title ?? 'Untitled'}
            </b>
            <span className="text-[14px] text-soft">{readings ? readInWords(readings) : 'not read'}</span>
          </Link>
        </li>
      ))}
    </ol>
  );
}
