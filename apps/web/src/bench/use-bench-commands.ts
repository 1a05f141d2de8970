import type { Setup } from '@usual-drag/core/loading';
import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { undoCommands, useCommands, type Command } from '../ui/commands.ts';
import { redo, undo } from './model/bench-store.ts';
import type { BenchView } from './model/use-bench-view.ts';
import { useOrderCommands } from './use-order-commands.ts';
import { setupViews } from './model/use-setup-view.ts';
import { trueViews } from './model/true-value-views.ts';

const steps = [
  { text: 'Network', to: 'network', key: '1' },
  { text: 'True values', to: 'true-values', key: '2' },
  { text: 'Set-ups', to: 'setups', key: '3' },
  { text: 'Readings', to: 'readings', key: '4' },
  { text: 'Report', to: 'report', key: '5' },
] as const;

/** Actions of the steps, offered from every step: they go to the step that has them. */
const elsewhere: readonly { readonly text: string; readonly to: string }[] = [
  { text: 'Add voltmeter', to: 'setups' },
  { text: 'Add ammeter', to: 'setups' },
  { text: 'Duplicate this set-up', to: 'setups' },
  { text: 'Large view of the step', to: 'readings' },
  { text: 'Export readings (CSV)', to: 'readings' },
  { text: 'Import readings (CSV)', to: 'readings' },
  { text: 'Readings of the whole plan …', to: 'readings' },
  { text: 'Strike the newest reading out', to: 'readings' },
  { text: 'Print the report', to: 'report' },
  { text: 'Save the report as HTML', to: 'report' },
  { text: 'Sign the report', to: 'report' },
  { text: 'Export as SVG', to: 'network' },
  { text: 'Export as PNG', to: 'network' },
];

const noSetups: readonly Setup[] = [];

/** Offers the steps, views and actions of the job on the bench. */
export function useBenchCommands({ jobId, job, inSetups, meter, showSetupView }: BenchView, onWhole: () => void): void {
  const navigate = useNavigate();
  const metered = meter !== undefined;
  const { setups = noSetups } = job;
  const commands = useMemo((): Command[] => {
    const go = (to: string) => (): void => void navigate(`/bench/${jobId}/${to}`);
    return [
      ...steps.map(({ text, to, key }): Command => ({
        group: 'Steps',
        text,
        keys: `alt+${key}`,
        inFields: 'always',
        run: go(to),
      })),
      {
        group: 'Actions',
        text: 'New circuit from these parts',
        run: () => void navigate(`/new-circuit/${jobId}`),
      },
      ...setups.map(({ id }): Command => ({ group: 'Steps', text: `Set-up ${id}`, run: go(`setups/${id}`) })),
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
      { group: 'Views', text: 'Strip board: places of the parts, and the check', run: go('network/board') },
      { group: 'Views', text: 'Diagnosis: explanations of the readings', run: go('readings/diagnosis') },
      ...elsewhere.map(({ text, to }): Command => ({ group: 'Actions', text, isElsewhere: true, run: go(to) })),
      ...undoCommands(undo, redo).map((command): Command => ({ ...command, inFields: 'unless-typing' })),
      { group: 'Actions', text: 'Full sheet', keys: 'f', run: onWhole },
      { group: 'Actions', text: 'History of this job', run: () => void navigate(`/history/jobs/${jobId}`) },
    ];
  }, [navigate, jobId, setups, inSetups, metered, showSetupView, onWhole]);
  useCommands('bench', commands);
  useOrderCommands(jobId, job.record?.order);
}
