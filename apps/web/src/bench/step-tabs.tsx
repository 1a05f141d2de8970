import clsx from 'clsx';
import { memo } from 'react';
import { NavLink } from 'react-router';

interface Props {
  readonly jobId: string;
  readonly status: {
    readonly network: string;
    readonly trueValues: string;
    readonly setups: string;
    readonly isLoaded: boolean;
  };
}

/** The steps along the job, and how it stands at each. */
export const StepTabs = memo(function StepTabs({ jobId, status }: Props) {
  const steps = [
    { to: `/bench/${jobId}/network`, name: 'Network', standing: status.network, ochre: false },
    { to: `/bench/${jobId}/true-values`, name: 'True values', standing: status.trueValues, ochre: false },
    { to: `/bench/${jobId}/setups`, name: 'Set-ups', standing: status.setups, ochre: status.isLoaded },
  ];
  return (
    <nav aria-label="Steps" className="flex shrink-0 border-b border-line print:hidden">
      {steps.map(({ to, name, standing, ochre }) => (
        <NavLink
          key={to}
          to={to}
          className={({ isActive }) =>
            clsx(
              'flex max-w-64 min-w-36 grow flex-col border-r border-line border-b-[3px] px-4 py-1.5 focus-visible:-outline-offset-4',
              isActive ? 'border-b-(--ochre-line) bg-sheet' : 'border-b-transparent bg-ground hover:bg-sunk',
            )
          }
        >
          <span className="text-[17px] font-bold">{name}</span>
          <span className={clsx('text-[14px]', ochre ? 'font-bold text-ochre' : 'text-soft')}>{standing}</span>
        </NavLink>
      ))}
    </nav>
  );
});
