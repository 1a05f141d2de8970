import { useEffect } from 'react';
import { useNavigate, useParams } from 'react-router';
import { WorksheetView } from '../worksheet/worksheet-view.tsx';
import { Panel } from '../ui/panel.tsx';
import { TabRow } from '../ui/tabs.tsx';
import { FaultHuntView } from './fault-hunt-view.tsx';
import { handInWaiting } from './hand-in.ts';
import { WhoPractises } from './who-practises.tsx';
import { PrintView } from './print-view.tsx';
import { ProblemsView } from './problems-view.tsx';
import { ProgressView } from './progress-view.tsx';
import { StartView } from './start-view.tsx';

const views = [
  { value: 'start', text: 'Start' },
  { value: 'problems', text: 'Problems' },
  { value: 'hunt', text: 'Find the fault' },
  { value: 'worksheet', text: 'Worksheet' },
  { value: 'progress', text: 'Progress' },
  { value: 'print', text: 'Sheet to print' },
] as const;
type View = (typeof views)[number]['value'];

/** Problems with marking, a bench to find faults on, and progress. */
export function PracticePage() {
  const { view: asked } = useParams();
  const navigate = useNavigate();
  const view: View = views.find(({ value }) => value === asked)?.value ?? 'start';
  useEffect(() => void handInWaiting(), []);
  return (
    <main className="relative h-full overflow-y-auto print:overflow-visible">
      <div className="mx-auto flex max-w-6xl flex-col gap-3 px-4 py-4 sm:px-6 print:block print:max-w-none print:p-0">
        <div className="flex flex-wrap items-end gap-x-6 gap-y-2 print:hidden">
          <h1 className="text-[26px] font-bold">Practice</h1>
          <TabRow
            label="Practice"
            value={view}
            options={views}
            onChange={(next) => void navigate(`/practice/${next}`)}
            className="min-w-0 max-w-full grow"
          />
          <WhoPractises />
        </div>
        <Panel key={view} name={views.find(({ value }) => value === view)!.text}>
          <ViewOf view={view} />
        </Panel>
      </div>
    </main>
  );
}

function ViewOf({ view }: { readonly view: View }) {
  switch (view) {
    case 'start':
      return <StartView />;
    case 'problems':
      return <ProblemsView />;
    case 'hunt':
      return <FaultHuntView />;
    case 'worksheet':
      return <WorksheetView />;
    case 'progress':
      return <ProgressView />;
    case 'print':
      return <PrintView />;
  }
}
