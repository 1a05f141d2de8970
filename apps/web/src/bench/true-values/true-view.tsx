import type { Network, Unloaded } from '@usual-drag/core';
import { lazy, Suspense } from 'react';
import { Note } from '../../ui/note.tsx';
import { Segments } from '../../ui/segments.tsx';
import type { Solved } from '../analysis.ts';
import { Equations } from './equations.tsx';
import { Superposition } from './superposition.tsx';
import { Working } from './working.tsx';

const WhatIf = lazy(() => import('./what-if.tsx').then((module) => ({ default: module.WhatIf })));

const views = {
  circuit: 'Circuit',
  working: 'Working',
  equations: 'Node equations',
  superposition: 'Superposition',
  'what-if': 'What if',
} as const;

/** What stands on the sheet of the second station. */
export type View = keyof typeof views;

export const isView = (text: string | undefined): text is View => text !== undefined && text in views;

export function ViewChoice({ view, onChange }: { readonly view: View; readonly onChange: (view: View) => void }) {
  return (
    <div className="shrink-0 px-4 pt-3 print:hidden">
      <Segments
        label="What the sheet shows"
        value={view}
        options={Object.entries(views).map(([value, text]) => ({ value: value as View, text }))}
        onChange={onChange}
      />
    </div>
  );
}

interface Props {
  readonly view: Exclude<View, 'circuit'>;
  readonly network: Network;
  readonly unloaded: Solved<Unloaded>;
}

export function TrueView({ view, network, unloaded }: Props) {
  if (!unloaded.ok)
    return (
      <div className="p-4">
        <Note kind="limit">{unloaded.fault.message}</Note>
      </div>
    );
  const { values } = unloaded.value;
  switch (view) {
    case 'working':
      return <Working network={network} />;
    case 'equations':
      return <Equations network={network} values={values} />;
    case 'superposition':
      return <Superposition network={network} values={values} />;
    case 'what-if':
      return (
        <Suspense fallback={<p className="p-4 text-soft">Fetching the chart …</p>}>
          <WhatIf network={network} />
        </Suspense>
      );
  }
}
