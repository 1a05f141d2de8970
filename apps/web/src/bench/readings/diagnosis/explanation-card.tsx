import { formatQuantity } from '@usual-drag/core/quantity';
import { unitOf } from '@usual-drag/core/instrument';
import { faultSentence, isOfReading } from '@usual-drag/core/faults';
import { bandOf, type ExplanationMatrix, type MatrixRow } from '@usual-drag/core/diagnosis';
import { editRecord, noteReading, takeMeasuredValue } from '@usual-drag/core/job';
import type { Reading } from '@usual-drag/core/readings';
import { useNavigate } from 'react-router';
import { Button } from '../../../ui/button.tsx';
import { useBench } from '../../model/bench-store.ts';
import { isSameFault } from '../../model/same-fault.ts';
import { sayUndoable } from '../../model/say-undoable.ts';
import { tryFault } from '../../model/try-fault.ts';
import { useTried } from '../../model/tried.ts';
import { strikeOut } from '../log/strike-out.ts';
import { NumberLine } from './number-line.tsx';
import { useOpenReading } from './use-open-reading.ts';

interface Props {
  readonly row: MatrixRow;
  /** Index of the chosen reading. */
  readonly at: number;
  readonly readings: ExplanationMatrix['readings'];
  readonly jobId: string;
}

/** The chosen explanation: its sentence, its check, the chosen reading beside its prediction, and what to do with it. */
export function ExplanationCard({ row, at, readings, jobId }: Props) {
  const { name, hypothesis, inseparable } = row;
  const { reading, value } = readings[at]!;
  const { predicted, u } = row.cells[at]!;
  const openReading = useOpenReading(jobId);
  const print = (figure: number | null): string =>
    figure === null ? 'OL' : formatQuantity(figure, unitOf(reading.quantity));
  return (
    <section
      aria-label="Explanation"
      className="flex flex-col gap-2 rounded-xl border border-line bg-sheet p-3 text-[14px]"
    >
      <h2 className="text-[16px] font-bold">
        {hypothesis === null ? 'No fault' : `${name} ${faultSentence(hypothesis)}`}
      </h2>
      {hypothesis && <p>{hypothesis.check}</p>}
      {inseparable.length > 0 && (
        <p className="rounded-lg border border-line bg-sunk px-2.5 py-1.5">
          No voltage or current that these meters can read distinguishes it from {inseparable.join(', ')}. Lift one leg
          of the part and measure its resistance, or measure with the supply off.
        </p>
      )}
      <p>
        <b>{reading.id}</b> read <b className="figures text-ochre">{print(value)}</b>, predicted{' '}
        <b className="figures">{print(predicted)}</b> ±{' '}
        <span className="figures">{formatQuantity(2 * u, unitOf(reading.quantity), { digits: 2 })}</span>
      </p>
      {predicted !== null && value !== null && (
        <NumberLine
          unit={unitOf(reading.quantity)}
          marks={[{ text: 'predicted', ...bandOf(predicted, 2 * u) }]}
          reading={value}
        />
      )}
      <div className="flex flex-wrap gap-2">
        {hypothesis && <TryOnDrawing hypothesis={hypothesis} jobId={jobId} />}
        {hypothesis && <Accept hypothesis={hypothesis} jobId={jobId} />}
        <Button onClick={() => openReading(reading)}>Read {reading.id} again</Button>
      </div>
    </section>
  );
}

type Hypothesis = NonNullable<MatrixRow['hypothesis']>;

function TryOnDrawing({ hypothesis, jobId }: { readonly hypothesis: Hypothesis; readonly jobId: string }) {
  const navigate = useNavigate();
  const tried = useTried(jobId);
  if (isOfReading(hypothesis)) return null;
  const isTried = tried !== null && isSameFault(tried, hypothesis);
  const act = (): void => {
    tryFault(jobId, isTried ? null : hypothesis);
    if (!isTried) void navigate(`/bench/${jobId}/readings`);
  };
  return (
    <Button tone="strong" aria-pressed={isTried} onClick={act}>
      {isTried ? 'Remove from the drawing' : 'Try on the drawing'}
    </Button>
  );
}

/** Writes an explanation into the record: to the reading that it is about, or to the notes of the job. */
function Accept({ hypothesis, jobId }: { readonly hypothesis: Hypothesis; readonly jobId: string }) {
  const job = useBench((state) => state.document);
  const edit = useBench((state) => state.edit);
  const sentence = faultSentence(hypothesis);
  const [about = ''] = hypothesis.where;
  const reading = job.readings?.find(({ id }) => id === about);
  const kept = reading ? reading.note : job.record?.notes;
  if (kept?.includes(sentence)) return <Accepted hypothesis={hypothesis} reading={reading} jobId={jobId} />;
  const accept = (): void => {
    edit((now) => {
      const noted = now.readings?.find(({ id }) => id === about);
      if (noted) return noteReading(now, about, [noted.note, sentence].filter(Boolean).join(' '));
      return editRecord(now, { ...now.record, notes: [now.record?.notes, sentence].filter(Boolean).join('\n') });
    });
    sayUndoable(`Written into the record: ${sentence}`);
  };
  return <Button onClick={accept}>Accept into the record</Button>;
}

interface AcceptedProps {
  readonly hypothesis: Hypothesis;
  /** The reading that the explanation is about; none if it is about the circuit. */
  readonly reading: Reading | undefined;
  readonly jobId: string;
}

/** Place where an accepted explanation is recorded, and what follows from it. */
function Accepted({ hypothesis, reading, jobId }: AcceptedProps) {
  const edit = useBench((state) => state.edit);
  const openReading = useOpenReading(jobId);
  const strike = (wrong: Reading): void => {
    strikeOut(wrong.id, faultSentence(hypothesis));
    openReading(wrong);
  };
  const ohms = hypothesis.fault === 'out-of-tolerance' ? hypothesis.value : null;
  const [part = ''] = hypothesis.where;
  return (
    <>
      <p role="status" className="w-full">
        <b>Accepted.</b> {reading ? `It is in the note of ${reading.id}.` : 'It is in the notes of the job details.'}
      </p>
      {reading && !reading.struck && (
        <Button tone="strong" onClick={() => strike(reading)}>
          Strike {reading.id} out and read it again
        </Button>
      )}
      {ohms !== null && (
        <Button
          tone="strong"
          onClick={() => {
            edit((job) => takeMeasuredValue(job, part, ohms));
            sayUndoable(`${part} has the measured value ${formatQuantity(ohms, 'Ω', { digits: 4, trim: true })}.`);
          }}
        >
          Take {formatQuantity(ohms, 'Ω', { digits: 4, trim: true })} as the value of {part}
        </Button>
      )}
    </>
  );
}
