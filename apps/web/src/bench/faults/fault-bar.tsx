import { formatQuantity } from '@usual-drag/core/quantity';
import { unitOf } from '@usual-drag/core/instrument';
import type { Meter, MeterReading } from '@usual-drag/core/loading';
import { faultSentence, type Hypothesis } from '@usual-drag/core/faults';
import { Button } from '../../ui/button.tsx';
import { Note } from '../../ui/note.tsx';
import { tryFault } from '../model/try-fault.ts';

interface Props {
  readonly jobId: string;
  readonly tried: Hypothesis;
  /** The meter that is chosen and what it would indicate without the fault; null outside Set-ups. */
  readonly meter?: { readonly placed: Meter; readonly sound: MeterReading | null } | null;
}

/** Says what is tried on the circuit, and takes it off. The job has no fault. */
export function FaultBar({ jobId, tried, meter = null }: Props) {
  const sound = meter?.sound?.indicated ?? null;
  return (
    <div className="sticky top-0 z-10">
      <Note kind="limit">
        <span className="flex flex-wrap items-center gap-x-3 gap-y-1">
          <span>
            <b>Fault tried: {faultSentence(tried)}</b> The job stays as it is.
            {meter && sound !== null && (
              <>
                {' '}
                Without it {meter.placed.id} would indicate{' '}
                <span className="figures">{formatQuantity(sound, unitOf(meter.placed.quantity), { digits: 4 })}</span>.
              </>
            )}
          </span>
          <Button onClick={() => tryFault(jobId, null)}>Remove fault</Button>
        </span>
      </Note>
    </div>
  );
}
