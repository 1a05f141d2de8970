import clsx from 'clsx';
import { memo } from 'react';
import { NavLink } from 'react-router';
import type { StepStatus } from './model/step-status.ts';

interface Props {
  readonly jobId: string;
  readonly status: StepStatus;
}

/** Steps of the job, each with its state. */
export const StepTabs = memo(function StepTabs({ jobId, status }: Props) {
  const steps = [
    { to: `/bench/${jobId}/network`, name: 'Network', words: status.network, ochre: false },
    { to: `/bench/${jobId}/true-values`, name: 'True values', words: status.trueValues, ochre: false },
    { to: `/bench/${jobId}/setups`, name: 'Set-ups', words: status.setups, ochre: status.isLoaded },
    { to: `/bench/${jobId}/readings`, name: 'Readings', words: status.readings, ochre: false },
    { to: `/bench/${jobId}/report`, name: 'Report', words: status.report, ochre: false },
  ];
  return (
    <nav aria-label="Steps" className="flex shrink-0 border-b border-line print:hidden">
      {steps.map(({ to, name, words, ochre }) => (
        <NavLink
          key={to}
          to={to}
          className={({ isActive }) =>
            clsx(
              'flex max-w-64 min-w-0 grow basis-0 flex-col border-r border-line border-b-[3px] px-1.5 py-1 sm:min-w-24 sm:px-4 sm:py-1.5 focus-visible:-outline-offset-4',
              isActive ? 'border-b-(--ochre-line) bg-sheet' : 'border-b-transparent bg-ground hover:bg-sunk',
            )
          }
        >
          <span className="text-[17px] font-bold whitespace-nowrap max-sm:text-[13px]">{name}</span>
          <span
            className={clsx(
              'min-h-[1lh] truncate text-[14px] max-sm:text-[12px]',
              ochre ? 'font-bold text-ochre' : 'text-soft',
            )}
          >
            {words}
          </span>
        </NavLink>
      ))}
    </nav>
  );
});
