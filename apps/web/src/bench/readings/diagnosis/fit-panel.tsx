import { formatQuantity, plainNumber, type Unit } from '@usual-drag/core/quantity';
import { fitWord, type Fit } from '@usual-drag/core/diagnosis';
import type { Job } from '@usual-drag/core/job';
import type { JobSummary } from '@usual-drag/contract';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { jobQuery, jobsQuery } from '../../../api/jobs.ts';
import { queries } from '../../../api/queries.ts';
import { startFit } from '../../../workers/diagnosis.ts';
import { Button } from '../../../ui/button.tsx';
import { useWorkerResult } from '../../../workers/use-worker-result.ts';

interface Props {
  readonly job: Job;
  readonly jobId: string;
  /** Circuits of the order that are ticked at first. */
  readonly joins?: readonly string[];
}

const none: readonly string[] = [];

/** Choice of unknown values, and their fit to the readings of this job, or of several of the same order together. */
export function FitPanel({ job, jobId, joins = none }: Props) {
  const [free, setFree] = useState<readonly string[]>([]);
  const [joined, setJoined] = useState<readonly string[]>(joins);
  const [asked, setAsked] = useState<Asked | null>(null);
  const others = useSameOrder(job, jobId);
  const start = useMemo(
    () => (asked && asked.free.length > 0 ? () => startFit([job, ...asked.others], asked.free) : null),
    [job, asked],
  );
  const { result: found, state } = useWorkerResult(start);
  const isSearching = start !== null && state === 'running';
  const fit = async (): Promise<void> => {
    const chosen = others.filter(({ id }) => joined.includes(id));
    const fetched = await Promise.all(chosen.map(({ id }) => queries.fetchQuery(jobQuery(id))));
    setAsked({ free, others: fetched.map(({ document }) => document) });
  };
  return (
    <fieldset className="flex flex-col gap-1.5 rounded-xl border border-line bg-sheet px-3 py-2 text-[14px]">
      <legend className="px-1 font-bold">Fit what is not known</legend>
      <div className="flex flex-wrap gap-x-4">
        {namesOf(job).map(({ name, text }) => (
          <Tick key={name} text={text} isOn={free.includes(name)} onToggle={() => setFree(toggled(free, name))} />
        ))}
      </div>
      {others.length > 0 && (
        <div className="flex flex-col border-t border-line pt-1">
          <p className="text-soft">Together with other circuits of this order:</p>
          {others.map(({ id, title }) => (
            <Tick
              key={id}
              text={title ?? 'Untitled'}
              isOn={joined.includes(id)}
              onToggle={() => setJoined(toggled(joined, id))}
            />
          ))}
        </div>
      )}
      <Button className="self-start" disabled={free.length === 0} onClick={() => void fit()}>
        Fit to the readings
      </Button>
      {isSearching && <p className="text-soft">Fitting …</p>}
      {found && !found.ok && <p>{found.fault.message}</p>}
      {found?.ok && !isSearching && <Fitted fit={found.value} names={namesOf(job)} />}
    </fieldset>
  );
}

/** A fit that was asked for. */
interface Asked {
  readonly free: readonly string[];
  readonly others: readonly Job[];
}

/** Returns the other jobs of the same order. */
function useSameOrder({ record }: Job, jobId: string): readonly JobSummary[] {
  const { data: jobs = [] } = useQuery(jobsQuery);
  const order = record?.order;
  return order === undefined ? [] : jobs.filter((one) => one.id !== jobId && one.record?.order === order);
}

const toggled = (names: readonly string[], name: string): string[] =>
  names.includes(name) ? names.filter((other) => other !== name) : [...names, name];

interface TickProps {
  readonly text: string;
  readonly isOn: boolean;
  readonly onToggle: () => void;
}

const Tick = ({ text, isOn, onToggle }: TickProps) => (
  <label className="flex min-h-8 items-center gap-2 pointer-coarse:min-h-11">
    <input type="checkbox" className="size-5 accent-(--ochre-line)" checked={isOn} onChange={onToggle} />
    {text}
  </label>
);

interface FittedProps {
  readonly fit: Fit;
  readonly names: ReturnType<typeof namesOf>;
}

function Fitted({ fit, names }: FittedProps) {
  const textOf = (wanted: string): string => names.find(({ name }) => name === wanted)?.text ?? wanted;
  if (fit.verdict === 'underdetermined')
    return <p role="status">These readings do not determine the {(fit.undetermined ?? []).map(textOf).join(', ')}.</p>;
  return (
    <div role="status">
      {Object.entries(fit.free).map(([name, { value, uncertainty }]) => {
        const print = printOf(name);
        return (
          <p key={name}>
            {textOf(name)} = <b className="figures">{print(value, 4)}</b> ±{' '}
            <span className="figures">{print(uncertainty, 2)}</span> (k = 2)
          </p>
        );
      })}
      <p>
        {fit.verdict === 'explains'
          ? `These values explain the readings: the prediction ${fitWord(fit.misfit!)}.`
          : `No plausible values explain the readings: check for a wrong break, a wrong part or a bad contact.`}
      </p>
    </div>
  );
}

/** Units of the quantities of elements that can be fitted; a plain number for an exponent. */
const units: Readonly<Record<string, Unit>> = {
  emf: 'V',
  internalResistance: 'Ω',
  resistance: 'Ω',
  ratedCurrent: 'A',
};

/** Returns how the value of a name is written. */
function printOf(name: string): (value: number | null, digits: number) => string {
  const unit = name === 'leads' || name.startsWith('meter:') ? 'Ω' : units[name.split('.')[1] ?? ''];
  return (value, digits) =>
    unit ? formatQuantity(value, unit, { digits }) : value === null ? '–' : plainNumber(value, digits);
}

const instrumentName = ({ instruments = [] }: Job, id: string): string =>
  instruments.find((one) => one.id === id)?.name ?? id;

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
        : kind === 'load'
          ? [
              { name: `${id}.ratedCurrent`, text: `rated current of ${id}` },
              { name: `${id}.exponent`, text: `exponent of ${id}` },
            ]
          : [],
    ),
    ...[...used].map((id) => ({
      name: `meter:${id}:dc-current`,
      text: `resistance of ${instrumentName(job, id)} on current`,
    })),
    ...(used.size > 0 ? [{ name: 'leads', text: 'leads of the ammeter' }] : []),
  ];
}
