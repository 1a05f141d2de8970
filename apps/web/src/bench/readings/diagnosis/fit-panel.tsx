import { formatQuantity, type Unit } from '@usual-drag/core/quantity';
import type { Fit } from '@usual-drag/core/diagnosis';
import type { Job } from '@usual-drag/core/job';
import { useMemo, useState } from 'react';
import { startFit } from '../../../workers/diagnosis.ts';
import { Button } from '../../../ui/button.tsx';
import { useWorkerResult } from '../../../workers/use-worker-result.ts';

/** Choice of unknown values, and their fit to the readings. */
export function FitPanel({ job }: { readonly job: Job }) {
  const [free, setFree] = useState<readonly string[]>([]);
  const [asked, setAsked] = useState<readonly string[] | null>(null);
  const start = useMemo(() => (asked && asked.length > 0 ? () => startFit([job], asked) : null), [job, asked]);
  const { result: found, state } = useWorkerResult(start);
  const isSearching = start !== null && state === 'running';
  const toggle = (name: string): void =>
    setFree(free.includes(name) ? free.filter((other) => other !== name) : [...free, name]);
  return (
    <fieldset className="flex flex-col gap-1.5 rounded-lg border border-line bg-sheet px-3 py-2">
      <legend className="px-1 font-bold">Fit what is not known</legend>
      <div className="flex flex-wrap gap-x-4">
        {namesOf(job).map(({ name, text }) => (
          <label key={name} className="flex min-h-8 items-center gap-2 pointer-coarse:min-h-11">
            <input
              type="checkbox"
              className="size-5 accent-(--ochre-line)"
              checked={free.includes(name)}
              onChange={() => toggle(name)}
            />
            {text}
          </label>
        ))}
      </div>
      <Button className="self-start" disabled={free.length === 0} onClick={() => setAsked(free)}>
        Fit to the readings
      </Button>
      {isSearching && <p className="text-soft">Fitting …</p>}
      {found && !found.ok && <p>{found.fault.message}</p>}
      {found?.ok && !isSearching && <Fitted fit={found.value} />}
    </fieldset>
  );
}

function Fitted({ fit }: { readonly fit: Fit }) {
  if (fit.verdict === 'underdetermined')
    return <p role="status">These readings do not determine {(fit.undetermined ?? []).join(', ')}.</p>;
  return (
    <div role="status">
      {Object.entries(fit.free).map(([name, { value, uncertainty }]) => {
        const unit: Unit = name.endsWith('.emf') ? 'V' : 'Ω';
        return (
          <p key={name}>
            {name} = <b className="figures">{formatQuantity(value, unit, { digits: 4 })}</b> ±{' '}
            <span className="figures">{formatQuantity(uncertainty, unit, { digits: 2 })}</span> (k = 2)
          </p>
        );
      })}
      <p>
        {fit.verdict === 'explains'
          ? `These values explain the readings, misfit ${fit.misfit!.toFixed(2)}.`
          : `No plausible values explain the readings, misfit ${fit.misfit!.toFixed(2)}: check for a wrong break, a wrong part or a bad contact.`}
      </p>
    </div>
  );
}

/** Returns the names that a fit may use: the sources, the current ranges of the instruments that were used, the leads. */
function namesOf(job: Job): { readonly name: string; readonly text: string }[] {
  const used = new Set((job.readings ?? []).flatMap((one) => (one.quantity === 'dc-current' ? [one.instrument] : [])));
  return [
    ...job.network.elements.flatMap(({ id, kind }) =>
      kind === 'source'
        ? [
            { name: `${id}.emf`, text: `EMF of ${id}` },
            { name: `${id}.internalResistance`, text: `internal resistance of ${id}` },
          ]
        : [],
    ),
    ...[...used].map((id) => ({ name: `meter:${id}:dc-current`, text: `resistance of ${id} on current` })),
    ...(used.size > 0 ? [{ name: 'leads', text: 'leads of the ammeter' }] : []),
  ];
}
