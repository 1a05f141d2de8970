import { Radio, RadioGroup } from '@headlessui/react';
import { newCircuit, type Arrangement, type ChosenPart, type Job } from '@usual-drag/core/job';
import { NetworkPicture } from '../drawing/network-picture.tsx';

interface Props {
  readonly arrangements: readonly Arrangement[];
  readonly job: Job;
  readonly chosen: readonly ChosenPart[];
  /** The line that is chosen; it may be none of them. */
  readonly value: string;
  readonly onChange: (line: string) => void;
}

/** Ways to join the parts, as small drawings to choose from. */
export function Arrangements({ arrangements, job, chosen, value, onChange }: Props) {
  if (arrangements.length === 0) return <p className="text-soft">Choose at least one resistor or load.</p>;
  return (
    <RadioGroup
      aria-label="Arrangement"
      value={value}
      onChange={onChange}
      className="grid grid-cols-[repeat(auto-fill,minmax(9.5rem,1fr))] gap-2"
    >
      {arrangements.map(({ name, line }) => {
        const made = newCircuit(job, { title: name, parts: chosen, line, date: '' });
        return (
          <Radio
            key={line}
            value={line}
            className="flex cursor-pointer flex-col items-center gap-1 rounded-xl border-2 border-line bg-sheet p-2 text-center text-[14px] hover:border-soft data-checked:border-(--ochre-line)"
          >
            {/* Its name says the same. */}
            <span aria-hidden className="pointer-events-none w-full">
              {made.ok && <NetworkPicture network={made.value.network} label="" bare height={170} className="h-20" />}
            </span>
            {name}
          </Radio>
        );
      })}
    </RadioGroup>
  );
}
