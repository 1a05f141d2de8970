import { unitOf } from '@usual-drag/core/instrument';
import { namesOf } from '@usual-drag/core/plan';
import { bandOf, type ExplanationMatrix } from '@usual-drag/core/diagnosis';
import { useNavigate } from 'react-router';
import { Button } from '../../../ui/button.tsx';
import { useBench } from '../../model/bench-store.ts';
import { openFree } from '../../model/reading-entry.ts';
import { NumberLine } from './number-line.tsx';

interface Props {
  readonly next: NonNullable<ExplanationMatrix['next']>;
  readonly jobId: string;
}

/** The reading that separates the leading explanations best, with what each of them predicts for it. */
export function ReadNext({ next: { reading, predictions, of }, jobId }: Props) {
  const navigate = useNavigate();
  const instruments = useBench((state) => state.document.instruments);
  const { separates, ...place } = reading;
  const words =
    reading.quantity === 'dc-voltage'
      ? `voltage ${reading.red} to ${reading.black}`
      : `current at ${reading.node} into ${namesOf(reading.ends)}`;
  const instrument = instruments?.find(({ id }) => id === predictions?.instrument);
  const open = (): void => {
    if (!predictions) return;
    const { instrument, range } = predictions;
    openFree(jobId, { id: 'next', instrument, range, ...place });
    void navigate(`/bench/${jobId}/readings`);
  };
  return (
    <section
      aria-label="Read this next"
      className="flex flex-col gap-2 rounded-xl border-2 border-(--ochre-line) bg-sheet p-3 text-[14px]"
    >
      <h2 className="text-[16px] font-bold">Read this next: {words}</h2>
      <p className="text-soft">
        {predictions && `${instrument?.name ?? predictions.instrument}, ${predictions.range}. `}It separates {separates}{' '}
        of the leading explanations.
      </p>
      {predictions && (
        <NumberLine
          unit={unitOf(reading.quantity)}
          marks={predictions.values.flatMap((value, k) =>
            value === null ? [] : [{ text: of[k]!, ...bandOf(value, predictions.uncertainty) }],
          )}
        />
      )}
      <Button tone="strong" className="self-start" disabled={!predictions} onClick={open}>
        Open this step
      </Button>
    </section>
  );
}
