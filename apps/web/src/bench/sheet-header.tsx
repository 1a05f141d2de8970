import clsx from 'clsx';
import type { ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { TabRow } from '../ui/tabs.tsx';
import type { BenchView } from './model/use-bench-view.ts';
import { setupViews } from './model/use-setup-view.ts';
import { trueViews } from './model/true-value-views.ts';

/** Views of the first and the fourth step. */
const circuitViews = [
  { value: 'circuit', text: 'Circuit' },
  { value: 'board', text: 'Strip board' },
] as const;

/** The top of the sheet: the views of the step as tabs, and how the drawing is shown. */
export function SheetHeader({ view, children }: { readonly view: BenchView; readonly children: ReactNode }) {
  const navigate = useNavigate();
  const { jobId, step, inReadings, onBoard, inTrueValues, inSetups, meter, setupView, showSetupView } = view;
  return (
    <div
      className={clsx(
        'flex min-h-11 shrink-0 items-end justify-end gap-3 border-b border-line pr-2 pl-3 max-sm:bg-sheet print:hidden',
        !children && 'pr-3',
      )}
    >
      {inTrueValues && (
        <TabRow
          label="Views of the true values"
          className="min-w-0 grow border-b-0"
          value={view.view}
          options={trueViews}
          onChange={(next) => void navigate(`/bench/${jobId}/true-values/${next}`)}
        />
      )}
      {inSetups && meter && (
        <TabRow
          label="Views of the set-up"
          className="min-w-0 grow border-b-0"
          value={setupView}
          options={setupViews}
          onChange={showSetupView}
        />
      )}
      {(step === 'network' || inReadings) && (
        <TabRow
          label="Views of the circuit"
          className="min-w-0 grow border-b-0"
          value={onBoard ? 'board' : 'circuit'}
          options={circuitViews}
          onChange={(next) => void navigate(`/bench/${jobId}/${step}${next === 'board' ? '/board' : ''}`)}
        />
      )}
      {children}
    </div>
  );
}
