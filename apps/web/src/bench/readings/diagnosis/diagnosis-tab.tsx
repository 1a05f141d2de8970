import { formatQuantity } from '@usual-drag/core/quantity';
import { unitOf } from '@usual-drag/core/instrument';
import type { Meter } from '@usual-drag/core/loading';
import { faultSentence, isOfReading } from '@usual-drag/core/faults';
import { namesOf } from '@usual-drag/core/plan';
import {
  type DiagnosedHypothesis,
  type Diagnosis,
  type DiagnosisGroup,
  type NextReading,
  predictionRows,
  sharpestRange,
} from '@usual-drag/core/diagnosis';
import { editRecord, type Job, noteReading } from '@usual-drag/core/job';
import clsx from 'clsx';
import { useMemo, useState } from 'react';
import { startDiagnosis } from '../../../workers/diagnosis.ts';
import { Button } from '../../../ui/button.tsx';
import { isSameFault } from '../../model/same-fault.ts';
import { useBench } from '../../model/bench-store.ts';
import { sayUndoable } from '../../model/say-undoable.ts';
import { tryFault, useTried } from '../../model/tried.ts';
import type { BenchView } from '../../model/use-bench-view.ts';
import { FitPanel } from './fit-panel.tsx';
import { useReadingEntry } from '../../model/reading-entry.ts';
import type { Readings } from '../use-readings.ts';
import { TwoAtOnce } from './two-at-once.tsx';
import { useWorkerResult } from '../../../workers/use-worker-result.ts';

/** Explanations of readings that do not agree, and the reading to take next. */
export function DiagnosisTab({ view, readings }: { readonly view: BenchView; readonly readings: Readings }) {
  const { job } = view;
  const start = useMemo(
    () => (readings.counted.length > 0 ? () => startDiagnosis(job) : null),
    [job, readings.counted.length],
  );
  const { result: found, state, stop } = useWorkerResult(start);
  if (start === null) return <p className="p-3 text-soft">Nothing to diagnose yet: no readings.</p>;
  return (
    <div className="flex flex-col gap-2 p-3 text-[14px]">
      <Tried jobId={view.jobId} />
      {state === 'running' && (
        <p role="status" className="flex items-center gap-3 text-soft">
          Trying every single fault … <Button onClick={stop}>Stop</Button>
        </p>
      )}
      {state === 'failed' && <p role="alert">The search stopped with a fault. Edit the job to start it again.</p>}
      {found && !found.ok && <p>{found.fault.message}</p>}
      {found?.ok && <Found diagnosis={found.value} readings={readings} job={job} />}
      <FitPanel job={job} />
    </div>
  );
}

/** The fault that is on the drawing, and the way to take it off, whether or not it is still among the explanations. */
function Tried({ jobId }: { readonly jobId: string }) {
  const tried = useTried(jobId);
  if (!tried) return null;
  return (
    <p className="flex flex-wrap items-center gap-3">
      Tried on the drawing: {faultSentence(tried)}
      <Button onClick={() => tryFault(jobId, null)}>Remove fault</Button>
    </p>
  );
}

interface FoundProps {
  readonly diagnosis: Diagnosis;
  readonly readings: Readings;
  readonly job: Job;
}

function Found({ diagnosis, readings, job }: FoundProps) {
  const { consistent, groups, next } = diagnosis;
  if (consistent)
    return <p>Every reading is within 2u of the prediction of the fault-free circuit. No fault is needed.</p>;
  if (groups.length === 0) return <TwoAtOnce job={job} />;
  return (
    <>
      {next && <ReadNext next={next} job={job} readings={readings} />}
      <ol className="flex flex-col gap-2" aria-label="Explanations, best first">
        {groups.slice(0, 8).map((group) => (
          <li key={keyOf(group.hypotheses[0]!)} className="rounded-lg border border-line bg-sheet px-3 py-1.5">
            <Group group={group} readings={readings} />
          </li>
        ))}
      </ol>
    </>
  );
}

const keyOf = ({ fault, where, value }: DiagnosedHypothesis): string =>
  `${fault} ${where.join()} ${JSON.stringify(value)}`;

function Group({ group, readings }: { readonly group: DiagnosisGroup; readonly readings: Readings }) {
  const [isOpen, setOpen] = useState(false);
  const { misfit, hypotheses } = group;
  const [first, ...others] = hypotheses as [DiagnosedHypothesis, ...DiagnosedHypothesis[]];
  const shown = isOpen ? hypotheses : [first];
  return (
    <>
      {shown.map((hypothesis) => (
        <HypothesisLine key={keyOf(hypothesis)} hypothesis={hypothesis} />
      ))}
      <p className="flex flex-wrap items-center gap-x-3 text-soft">
        misfit <span className="figures">{misfit.toFixed(2)}</span>
        <Button tone="quiet" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
          {isOpen
            ? 'Less'
            : others.length > 0
              ? `${others.length} more that these readings cannot tell from it`
              : 'Predictions'}
        </Button>
      </p>
      {isOpen && <Predictions hypothesis={first} readings={readings} />}
    </>
  );
}

function HypothesisLine({ hypothesis }: { readonly hypothesis: DiagnosedHypothesis }) {
  const jobId = useBench((state) => state.jobId);
  const tried = useTried(jobId);
  const isTried = tried !== null && isSameFault(tried, hypothesis);
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <p className="min-w-0 grow">
        <b>{faultSentence(hypothesis)}</b> {hypothesis.check}
      </p>
      {!isOfReading(hypothesis) && (
        <Button aria-pressed={isTried} onClick={() => tryFault(jobId, isTried ? null : hypothesis)}>
          Try on the drawing
        </Button>
      )}
      <Accept hypothesis={hypothesis} />
    </div>
  );
}

/** Writes an explanation into the record: to the reading that it is about, or to the notes of the job. */
function Accept({ hypothesis }: { readonly hypothesis: DiagnosedHypothesis }) {
  const edit = useBench((state) => state.edit);
  const accept = (): void => {
    const sentence = faultSentence(hypothesis);
    edit((job) => {
      const [about = ''] = hypothesis.where;
      const reading = job.readings?.find(({ id }) => id === about);
      if (reading) return noteReading(job, about, [reading.note, sentence].filter(Boolean).join(' '));
      return editRecord(job, { ...job.record, notes: [job.record?.notes, sentence].filter(Boolean).join('\n') });
    });
    sayUndoable(`Written into the record: ${sentence}`);
  };
  return <Button onClick={accept}>Accept into the record</Button>;
}

function Predictions({
  hypothesis,
  readings,
}: {
  readonly hypothesis: DiagnosedHypothesis;
  readonly readings: Readings;
}) {
  const instruments = useBench((state) => state.document.instruments);
  const conventions = useBench((state) => state.document.conventions);
  const rows = predictionRows(readings.readings, instruments ?? [], conventions ?? {}, hypothesis.predictions);
  return (
    <table className="w-full max-w-md border-collapse" aria-label="Predictions beside the readings">
      <thead className="text-right text-[13px] text-soft">
        <tr>
          <th className="text-left font-medium">Reading</th>
          <th className="font-medium">Value</th>
          <th className="font-medium">Predicted</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ reading, value, predicted, isWithin }) => {
          const print = (figure: number | null): string =>
            figure === null ? 'OL' : formatQuantity(figure, unitOf(reading.quantity), { digits: 4 });
          return (
            <tr key={reading.id} className="border-t border-line/60">
              <th scope="row" className="text-left font-normal">
                {reading.id}
              </th>
              <td className="figures text-right text-ochre">{print(value)}</td>
              <td className={clsx('figures text-right', !isWithin && 'text-soft')}>{print(predicted)}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** Reading that separates the leading explanations, with a button that opens its step. */
interface ReadNextProps {
  readonly next: NextReading;
  readonly job: Job;
  readonly readings: Readings;
}

function ReadNext({ next, job, readings }: ReadNextProps) {
  const { separates, ...place } = next;
  // Room for half as much again as the sound circuit makes it indicate.
  const sharpest = sharpestRange(job.instruments ?? [], place, (reading) => [
    1.5 * (readings.expect(reading)?.expected ?? 0),
  ]);
  const words =
    next.quantity === 'dc-voltage'
      ? `voltage ${next.red} to ${next.black}`
      : `current at ${next.node} into ${namesOf(next.ends)}`;
  const read = (): void => {
    if (!sharpest) return;
    const { instrument, range } = sharpest;
    useReadingEntry.setState({
      free: { id: 'next', instrument: instrument.id, range: range.id, ...place } as Meter,
      again: null,
    });
  };
  return (
    <p className="flex flex-wrap items-center gap-3">
      <Button tone="strong" onClick={read}>
        Read this next: {words}
      </Button>
      <span className="text-soft">It separates {separates} of the leading explanations.</span>
    </p>
  );
}
