import { instrumentForJob, renewInstrument, settledRange, type Instrument, type Meter } from '@usual-drag/core';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { listQuery } from '../../api/lists.ts';
import { Button } from '../../ui/button.tsx';
import { useBench } from '../model/bench-store.ts';
import type { RangeOptions } from './range-options.ts';

interface Props {
  readonly meter: Meter;
  /** As the job has kept it. */
  readonly instrument: Instrument;
  readonly rangeOptions: RangeOptions | null;
  readonly onTake: (range: string) => void;
}

/** What the kit knows of a meter's instrument beyond the job: that it was edited since, and how it ranges by itself. */
export function KitVersion({ meter, instrument, rangeOptions, onTake }: Props) {
  const { data: kit = [] } = useQuery(listQuery('instruments'));
  const edit = useBench((state) => state.edit);
  const kept = kit.find(({ id }) => id === instrument.id)?.document;
  const newest = useMemo(() => kept && instrumentForJob(kept), [kept]);
  if (!kept || !newest) return null;
  const own = rangeOptions?.options.filter((option) => option.instrument.id === instrument.id) ?? [];
  const settled = kept.autoRange && settledRange(own, kept.autoRange);
  return (
    <>
      {JSON.stringify(newest) !== JSON.stringify(instrument) && (
        <p className="flex flex-wrap items-center gap-2 text-[14px]">
          In the kit it has been edited since this job took it.
          <Button onClick={() => edit((job) => renewInstrument(job, newest))}>Take the kit’s</Button>
        </p>
      )}
      {settled && settled.range.id !== meter.range && (
        <p className="text-[14px]">
          Ranging by itself it settles on{' '}
          <button type="button" className="font-bold underline" onClick={() => onTake(settled.range.id)}>
            {settled.range.id}
          </button>
          .
        </p>
      )}
    </>
  );
}
