import type { Unloaded } from '@usual-drag/core/loading';
import { Suspense } from 'react';
import { fetchedLater } from '../../ui/fetched-later.ts';
import type { Solved } from '../model/analysis.ts';
import { Equations } from './equations.tsx';
import { Superposition } from './superposition.tsx';
import type { View } from '../model/true-value-views.ts';
import { Working } from './working.tsx';
import { JobFaultNote } from '../job-fault-note.tsx';

const WhatIf = fetchedLater(async () => (await import('./what-if.tsx')).WhatIf);

interface Props {
  readonly view: Exclude<View, 'circuit' | 'tolerance'>;
  readonly unloaded: Solved<Unloaded>;
}

export function TrueView({ view, unloaded }: Props) {
  if (!unloaded.ok)
    return (
      <div className="p-4">
        <JobFaultNote fault={unloaded.fault} />
      </div>
    );
  const { values, network } = unloaded.value;
  switch (view) {
    case 'working':
      return <Working unloaded={unloaded.value} />;
    case 'equations':
      return <Equations network={network} values={values} />;
    case 'superposition':
      return <Superposition unloaded={unloaded.value} />;
    case 'what-if':
      return (
        <Suspense fallback={<p className="p-4 text-soft">Fetching the chart …</p>}>
          <WhatIf network={network} />
        </Suspense>
      );
  }
}
