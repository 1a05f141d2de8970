import type { Job } from '@usual-drag/core/job';
import type { KeptSignature } from '@usual-drag/contract';
import type { OrderSignature, OrderStatus } from '@usual-drag/core/report';
import { signOrder } from '../api/orders.ts';
import { queries } from '../api/queries.ts';
import { signedQuery } from '../api/signatures.ts';
import { Button } from '../ui/button.tsx';
import { Note } from '../ui/note.tsx';
import { SignForm } from '../ui/sign-form.tsx';
import { TickList } from '../ui/tick-list.tsx';
import { toast } from '../ui/toast.ts';
import { tickedInWords, whenOnRecord } from '../ui/words.ts';
import { saveOrderReport } from './save-order-report.ts';

interface Props {
  readonly order: string;
  /** Ids of the circuits' jobs, in their sequence. */
  readonly jobs: readonly string[];
  readonly status: OrderStatus;
  /** Name in the job details. */
  readonly name: string;
  readonly onTick: (text: string) => void;
}

/** The bench is restored, then all circuits are signed together. */
export function SignOrder({ order, jobs, status, name, onTick }: Props) {
  const { state, signature, restoring, hash } = status;
  if (state === 'signed')
    return (
      <p className="rounded-xl border border-line bg-sheet p-3">
        <b>Signed by {signature!.by}</b>, {whenOnRecord(signature!.at)}. The record cannot be changed: an edit of a
        circuit starts a new draft.
      </p>
    );
  const sign = async (by: string): Promise<void> => {
    const restored = restoring.filter(({ done }) => done).map(({ text }) => text);
    try {
      await signOrder(order, { jobs, hash, by, restored });
    } finally {
      // If the order was changed elsewhere, its present state is shown.
      await Promise.all(['jobs', 'signatures'].map((first) => queries.invalidateQueries({ queryKey: [first] })));
    }
  };
  return (
    <>
      <TickList label="Restore the bench" tasks={restoring} onTick={onTick} />
      <SignForm name={name} canSign status={tickedInWords(restoring)} onSign={sign}>
        {state === 'changed' && (
          <Note kind="limit">
            New draft: signed by {signature!.by} on {whenOnRecord(signature!.at)}, and changed since. The signed record
            is kept below.
          </Note>
        )}
      </SignForm>
    </>
  );
}

/** Signed records of an order. Each is saved as a file from the jobs as they were signed. */
export function SignedOrders({
  order,
  signatures,
}: {
  readonly order: string;
  readonly signatures: readonly OrderSignature<SignatureOnJob>[];
}) {
  if (signatures.length === 0) return null;
  return (
    <section aria-label="Signed records">
      <h2 className="mb-1 text-[17px] font-bold">Signed records</h2>
      <ul className="flex flex-col divide-y divide-line/60 rounded-xl border border-line bg-sheet">
        {signatures.map((one) => (
          <li key={one.circuits[0]!.entry} className="flex flex-wrap items-center justify-between gap-x-3 px-3 py-1.5">
            <span>
              {one.by}, {whenOnRecord(one.at)}
              <span className="figures block text-[13px] text-soft">document {one.hash.slice(0, 16)}</span>
            </span>
            <Button onClick={() => saveSigned(order, one)}>
              Save as HTML<span className="sr-only"> the record signed by {one.by}</span>
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** A signature on one circuit, and the job that it belongs to. */
export type SignatureOnJob = KeptSignature & { readonly jobId: string };

const saveSigned = (order: string, signature: OrderSignature<SignatureOnJob>): void =>
  void signedJobs(signature)
    .then((jobs) => saveOrderReport(order, jobs, { signature, restored: [] }))
    .catch((fault: Error) => toast.error(`Not saved: ${fault.message}`));

const signedJobs = ({ circuits }: OrderSignature<SignatureOnJob>): Promise<Job[]> =>
  Promise.all(
    circuits.map(async ({ jobId, entry }) => (await queries.fetchQuery(signedQuery(jobId, String(entry)))).document),
  );
