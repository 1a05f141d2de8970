import type { Network } from '@usual-drag/core/network';
import { checkFor, tryableFaults } from '@usual-drag/core/faults';
import { useState } from 'react';
import { Choice } from '../../ui/choice.tsx';
import { tryFault } from '../model/try-fault.ts';
import { useTried } from '../model/tried.ts';
import { isSameFault } from '../model/same-fault.ts';

interface Props {
  readonly jobId: string;
  /** Without a fault. */
  readonly network: Network;
}

/** A fault tried on the circuit: which part, and what is wrong with it. */
export function FaultPanel({ jobId, network }: Props) {
  const tried = useTried(jobId);
  const parts = network.elements.filter((element) => tryableFaults(network, element).length > 0);
  const [chosen, choose] = useState<string | null>(null);
  const asked = chosen ?? tried?.where[0];
  const part = parts.find(({ id }) => id === asked) ?? parts.find(({ kind }) => kind === 'resistor') ?? parts[0];
  if (!part) return <p className="text-[14px] text-soft">This network has no part that can have a fault.</p>;
  const faults = tryableFaults(network, part);
  const at = tried ? faults.findIndex(({ hypothesis }) => isSameFault(hypothesis, tried)) : -1;
  return (
    <div className="flex flex-col gap-1.5 text-[14px]">
      <p className="text-soft">Try a fault: drawing and figures change, the job does not.</p>
      <div className="flex gap-2">
        <Choice
          label="Part with the fault"
          className="w-28"
          value={part.id}
          options={parts.map(({ id }) => ({ value: id, text: id }))}
          onChange={choose}
        />
        <Choice
          label={`Fault of ${part.id}`}
          className="min-w-0 grow"
          value={String(at)}
          options={[{ name: 'no fault' }, ...faults].map(({ name }, index) => ({
            value: String(index - 1),
            text: name,
          }))}
          onChange={(next) => {
            const fault = faults[Number(next)];
            tryFault(jobId, fault?.hypothesis ?? null);
          }}
        />
      </div>
      {tried && (
        <p>
          <b>How it is found:</b> {checkFor(tried, network)}
        </p>
      )}
    </div>
  );
}
