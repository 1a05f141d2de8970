import { orderStatus } from '@usual-drag/core/report';
import { useMemo, useState } from 'react';
import { useParams } from 'react-router';
import { FitPanel } from '../bench/readings/diagnosis/fit-panel.tsx';
import { Button } from '../ui/button.tsx';
import { toast } from '../ui/toast.ts';
import { Circuits } from './circuits.tsx';
import { PlanOfOrder } from './order-plan.tsx';
import { PartsTogether } from './parts-together.tsx';
import { saveOrderReport } from './save-order-report.ts';
import { SignedOrders, SignOrder } from './sign-order.tsx';
import { useOrder, type OrderView } from './use-order.ts';

/** An order: its circuits, their plan, the resistances of the parts, the report and its signature. */
export function OrderPage() {
  const { order = '' } = useParams();
  const view = useOrder(order);
  const { circuits, isComplete, error } = view;
  return (
    <main className="relative h-full overflow-y-auto">
      <div className="mx-auto flex max-w-6xl flex-col gap-5 px-4 py-4 sm:px-6">
        {isComplete && circuits.length > 0 ? (
          <Contents key={order} order={order} view={view} />
        ) : (
          <>
            <h1 className="text-[26px] font-bold">Order {order}</h1>
            {error && <p role="alert">{error.message}</p>}
            {!isComplete && !error && <p className="text-soft">Fetching its circuits …</p>}
            {isComplete && <p>No job has this order number.</p>}
          </>
        )}
      </div>
    </main>
  );
}

interface Props {
  readonly order: string;
  readonly view: OrderView;
}

function Contents({ order, view: { circuits, documents, signatures } }: Props) {
  const [restored, setRestored] = useState<readonly string[]>([]);
  const [isSaving, setSaving] = useState(false);
  const signature = signatures[0] ?? null;
  const status = useMemo(() => orderStatus(documents, signature, restored), [documents, signature, restored]);
  const jobs = circuits.map(({ id }) => id);
  const save = async (): Promise<void> => {
    setSaving(true);
    await saveOrderReport(order, documents, { signature, restored }).catch((fault: Error) =>
      toast.error(`Not saved: ${fault.message}`),
    );
    setSaving(false);
  };
  const tick = (text: string): void =>
    setRestored(restored.includes(text) ? restored.filter((one) => one !== text) : [...restored, text]);
  return (
    <>
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="grow text-[26px] font-bold">Order {order}</h1>
        <span role="status" className="text-[14px] text-soft">
          {isSaving && 'Making the report …'}
        </span>
        <Button disabled={isSaving} onClick={() => void save()}>
          Save report
        </Button>
      </div>
      <Circuits order={order} circuits={circuits} documents={documents} />
      <PlanOfOrder circuits={circuits} documents={documents} />
      <PartsTogether circuits={circuits} documents={documents}>
        <div className="grid items-start gap-5 lg:grid-cols-2">
          <FitPanel job={documents[0]!} jobId={jobs[0]!} joins={jobs.slice(1)} />
          <section aria-label="Signature" className="flex flex-col gap-3">
            <SignOrder order={order} jobs={jobs} status={status} name={documents[0]!.record?.by ?? ''} onTick={tick} />
            <SignedOrders order={order} signatures={signatures} />
          </section>
        </div>
      </PartsTogether>
    </>
  );
}
