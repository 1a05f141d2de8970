import { formatQuantity } from '@usual-drag/core/quantity';
import { unitOf } from '@usual-drag/core/instrument';
import { compareReadings } from '@usual-drag/core/readings';
import type { BenchPlace, Problem } from '@usual-drag/core/practice';
import { useMemo } from 'react';
import { FiguresTable } from '../ui/figures-table.tsx';

/** The readings that a fault is to be found from, beside what the sound circuit would show. */
export function ProblemReadings({ problem: { job } }: { readonly problem: Problem }) {
  const compared = useMemo(() => (job?.readings ? compareReadings(job) : null), [job]);
  if (!job?.readings || !compared?.ok) return null;
  return (
    <FiguresTable
      label="Readings"
      head={['Reading', 'where', 'read', 'expected']}
      rows={job.readings.map((reading) => {
        const expected = compared.value.readings[reading.id]?.expected ?? null;
        const [last] = reading.observations;
        return {
          key: reading.id,
          cells: [
            reading.id,
            whereOf(reading),
            `${last?.shown.replace('-', '−') ?? ''} ${last?.unit ?? ''}`,
            formatQuantity(expected, unitOf(reading.quantity)),
          ],
        };
      })}
    />
  );
}

/** A reading's place in a few words. */
export const whereOf = (place: BenchPlace): string => {
  switch (place.quantity) {
    case 'dc-voltage':
      return `${place.red} to ${place.black}`;
    case 'dc-current':
      return `into ${place.ends.map((end) => end.split('.')[0]).join(', ')}`;
    case 'resistance':
      return `${place.element}, out`;
  }
};
