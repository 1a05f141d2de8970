import { useMemo } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate } from 'react-router';
import { useCommands, type Command } from '../ui/commands.ts';
import { redo, undo } from './model/bench-store.ts';
import { setupViews, type BenchView } from './model/use-bench-view.ts';
import { trueViews } from './model/true-value-views.ts';

const steps = [
  { text: 'Network', to: 'network', key: '1' },
  { text: 'True values', to: 'true-values', key: '2' },
  { text: 'Set-ups', to: 'setups', key: '3' },
  { text: 'Readings', to: 'readings', key: '4' },
  { text: 'Report', to: 'report', key: '5' },
] as const;

/** Offers the steps, views and actions of the job on the bench, and listens to the keys of its steps. */
export function useBenchCommands({ jobId, job, inSetups, meter, showSetupView }: BenchView, onWhole: () => void): void {
  const navigate = useNavigate();
  useHotkeys(
    steps.map(({ key }) => `alt+${key}`),
    (_event, { keys }) => {
      const step = steps.find(({ key }) => keys?.includes(key) || keys?.includes(`digit${key}`));
      if (step) void navigate(`/bench/${jobId}/${step.to}`);
    },
    { preventDefault: true, enableOnFormTags: true },
  );
  const metered = meter !== undefined;
  const setups = (job.setups ?? []).map(({ id }) => id).join(' ');
  const commands = useMemo((): Command[] => {
    const go = (to: string) => (): void => void navigate(`/bench/${jobId}/${to}`);
    const setupIds = setups === '' ? [] : setups.split(' ');
    return [
      ...steps.map(({ text, to, key }): Command => ({ group: 'Steps', text, keys: `Alt ${key}`, run: go(to) })),
      ...setupIds.map((id): Command => ({ group: 'Steps', text: `Set-up ${id}`, run: go(`setups/${id}`) })),
      ...trueViews.map(({ value, text }): Command => ({
        group: 'Views',
        text: `True values: ${text}`,
        run: go(`true-values/${value}`),
      })),
      ...(inSetups && metered
        ? setupViews.map(({ value, text }): Command => ({
            group: 'Views',
            text: `Set-ups: ${text}`,
            run: () => showSetupView(value),
          }))
        : []),
      { group: 'Actions', text: 'Undo', keys: 'Ctrl Z', run: undo },
      { group: 'Actions', text: 'Redo', keys: 'Ctrl Y', run: redo },
      { group: 'Actions', text: 'Full sheet', keys: 'F', run: onWhole },
      { group: 'Actions', text: 'History of this job', run: () => void navigate(`/history/jobs/${jobId}`) },
    ];
  }, [navigate, jobId, setups, inSetups, metered, showSetupView, onWhole]);
  useCommands('bench', commands);
}
