import { Radio, RadioGroup } from '@headlessui/react';
import { checkFor, faultsOnPurpose, type Network } from '@usual-drag/core';
import { useState } from 'react';
import { Choice } from '../../ui/choice.tsx';
import { tryFault, useTried } from '../model/tried.ts';
import { asTried, isSameFault } from './try.ts';

interface Props {
  readonly jobId: string;
  /** Without a fault. */
  readonly network: Network;
}

/** A fault tried on the circuit: which part, and what is wrong with it. */
export function FaultPanel({ jobId, network }: Props) {
  const tried = useTried(jobId);
  const parts = network.elements.filter((element) => faultsOnPurpose(network, element).length > 0);
  const [chosen, choose] = useState<string | null>(null);
  const asked = chosen ?? tried?.hypothesis.where[0];
  const part = parts.find(({ id }) => id === asked) ?? parts.find(({ kind }) => kind === 'resistor') ?? parts[0];
  if (!part) return <p className="text-[14px] text-soft">There is no part here that could be wrong.</p>;
  const faults = faultsOnPurpose(network, part);
  const at = tried ? faults.findIndex(({ hypothesis }) => isSameFault(hypothesis, tried.hypothesis)) : -1;
  return (
    <div className="flex flex-col gap-2 text-[14px]">
      <p className="text-soft">Try a fault on the circuit: drawing and figures follow, the job stays as it is.</p>
      <Choice
        label="Part with the fault"
        showLabel
        value={part.id}
        options={parts.map(({ id, label }) => ({ value: id, text: label === undefined ? id : `${id}, ${label}` }))}
        onChange={choose}
      />
      <RadioGroup
        aria-label={`Fault of ${part.id}`}
        value={String(at)}
        onChange={(next) => {
          const fault = faults[Number(next)];
          tryFault(jobId, fault ? asTried(fault.hypothesis) : null);
        }}
        className="grid grid-cols-2 gap-1.5"
      >
        {[{ name: 'none' }, ...faults].map(({ name }, index) => (
          <Radio
            key={name}
            value={String(index - 1)}
            className="flex min-h-9 cursor-pointer items-center rounded-lg border border-line bg-sheet px-2.5 hover:border-soft data-checked:border-2 data-checked:border-ink data-checked:font-bold pointer-coarse:min-h-11"
          >
            {name}
          </Radio>
        ))}
      </RadioGroup>
      {tried && (
        <p>
          <b>How it is found:</b> {checkFor(tried.hypothesis, network)}
        </p>
      )}
    </div>
  );
}
