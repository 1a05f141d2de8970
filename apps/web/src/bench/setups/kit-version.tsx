import { instrumentForJob, type Instrument } from '@usual-drag/core/instrument';
import { renewInstrument, sameValue } from '@usual-drag/core/job';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { listQuery } from '../../api/lists.ts';
import { Button } from '../../ui/button.tsx';
import { useBench } from '../model/bench-store.ts';

/** Says that an instrument was edited in the kit since the job took its copy. */
export function KitVersion({ instrument }: { readonly instrument: Instrument }) {
  const { data: kit = [] } = useQuery(listQuery('instruments'));
  const edit = useBench((state) => state.edit);
  const kept = kit.find(({ id }) => id === instrument.id)?.document;
  const newest = useMemo(() => kept && instrumentForJob(kept), [kept]);
  if (!newest || sameValue(newest, instrument)) return null;
  return (
    <p className="flex flex-wrap items-center gap-2 text-[14px]">
      This instrument was edited in the kit after the job copied it.
      <Button onClick={() => edit((job) => renewInstrument(job, newest))}>Update from the kit</Button>
    </p>
  );
}
