import type { ResistorValues } from '@usual-drag/core/network';
import { memo } from 'react';
import { Segments } from '../ui/segments.tsx';
import { useBench } from './model/bench-store.ts';

/** Choice of the values that the network is solved with: nominal or measured. */
export const ValuesChoice = memo(function ValuesChoice({ values }: { readonly values: ResistorValues }) {
  const edit = useBench((state) => state.edit);
  return (
    <Segments
      label="Solve with"
      showLabel
      value={values}
      options={[
        { value: 'nominal', text: 'nominal values' },
        { value: 'measured', text: 'measured values' },
      ]}
      onChange={(next) => edit((job) => ({ ...job, network: { ...job.network, values: next } }))}
    />
  );
});
