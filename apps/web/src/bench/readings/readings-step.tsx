import type { KitInstrument } from '@usual-drag/core/instrument';
import type { Depth } from '@usual-drag/core/plan';
import { Maximize2 } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { useCommands, type Command } from '../../ui/commands.ts';
import { fetchedLater } from '../../ui/fetched-later.ts';
import { Note } from '../../ui/note.tsx';
import { Panel } from '../../ui/panel.tsx';
import { Segments } from '../../ui/segments.tsx';
import { TabPanels, TabRow } from '../../ui/tabs.tsx';
import { useBench } from '../model/bench-store.ts';
import type { BenchView } from '../model/use-bench-view.ts';
import { AddInstrument } from './prepare/add-instrument.tsx';
import { FreeReading, placeFree } from './entry/free-reading.tsx';
import { takeInHand, toggleLarge, useReadingEntry } from '../model/reading-entry.ts';
import { openStep } from './entry/keep-reading.ts';
import { LargeView } from './entry/large-view.tsx';
import { StepCard } from './plan/step-card.tsx';
import { StepList } from './plan/step-list.tsx';
import { useRenamed } from './log/use-renamed.ts';
import { useReadings, type Readings } from './use-readings.ts';
import { JobFaultNote } from '../job-fault-note.tsx';

const Prepare = fetchedLater(async () => (await import('./prepare/prepare.tsx')).Prepare);
const Sweep = fetchedLater(async () => (await import('./sweep/sweep.tsx')).Sweep);
const ReadingsOfPlan = fetchedLater(async () => (await import('./plan/readings-of-plan.tsx')).ReadingsOfPlan);
const ConventionsTab = fetchedLater(async () => (await import('./prepare/conventions.tsx')).ConventionsTab);

const tabs = [
  { value: 'plan', text: 'Plan' },
  { value: 'prepare', text: 'Prepare' },
  { value: 'sweep', text: 'Sweep' },
  { value: 'conventions', text: 'Conventions' },
] as const;
type OpenTab = (typeof tabs)[number]['value'];

const depths: readonly { readonly value: Depth; readonly text: string }[] = [
  { value: 'least', text: 'Fewest' },
  { value: 'parts', text: 'Every part' },
  { value: 'checks', text: 'With checks' },
];

interface Props {
  readonly view: BenchView;
  readonly kit: readonly KitInstrument[];
}

/** The fourth step: the plan, what is read at each of its steps, and how that agrees with what was to be expected. */
export function ReadingsStep({ view, kit }: Props) {
  const readings = useReadings(view);
  const { steps, open } = readings;
  const { large, free, listed } = useReadingEntry();
  const [tab, setTab] = useState<OpenTab>('plan');
  useRenamed(readings.readings);
  useEffect(() => takeInHand(view.jobId), [view.jobId]);
  const commands = useMemo(
    (): Command[] => [
      {
        group: 'Actions',
        text: 'Large view of the step',
        keys: 'b',
        run: toggleLarge,
      },
      {
        group: 'Actions',
        text: 'Next step of the plan',
        keys: 'pagedown',
        inFields: 'always',
        run: () => openStep(steps, open, 1),
      },
      {
        group: 'Actions',
        text: 'Step of the plan before',
        keys: 'pageup',
        inFields: 'always',
        run: () => openStep(steps, open, -1),
      },
      ...tabs.map(({ value, text }): Command => ({
        group: 'Views',
        text: `Readings: ${text}`,
        run: () => setTab(value),
      })),
    ],
    [steps, open],
  );
  useCommands('readings', commands);
  if (large && open) return <LargeView readings={readings} step={open} />;
  const panels: Record<OpenTab, () => React.ReactNode> = {
    plan: () =>
      listed !== null ? (
        <ReadingsOfPlan readings={readings} />
      ) : free ? (
        <FreeReading readings={readings} view={view} free={free} kit={kit} />
      ) : (
        <PlanTab readings={readings} view={view} kit={kit} />
      ),
    prepare: () => <Prepare readings={readings} />,
    sweep: () => <Sweep view={view} />,
    conventions: () => <ConventionsTab readings={readings} kit={kit} />,
  };
  return (
    <div className="flex h-full min-h-0 flex-col gap-2">
      <TabRow label="Readings" value={tab} options={tabs} onChange={setTab} />
      <TabPanels
        value={tab}
        options={tabs}
        panel={(value) => <Panel name={tabs.find((one) => one.value === value)!.text}>{panels[value]()}</Panel>}
      />
    </div>
  );
}

function PlanTab({ readings, view, kit }: Props & { readonly readings: Readings }) {
  const { plan, open } = readings;
  const depth = useReadingEntry((state) => state.depth);
  const instruments = useBench((state) => state.document.instruments) ?? [];
  if (!view.unloaded.ok) return <JobFaultNote fault={view.unloaded.fault} />;
  if (instruments.length === 0) return <AddInstrument kit={kit} first />;
  if (!plan) return <Note kind="limit">No plan yet: the network cannot be solved.</Note>;
  return (
    <div className="flex flex-col gap-2 lg:h-[calc(100vh-10.6rem)]">
      <div className="flex flex-wrap items-center justify-between gap-x-2 gap-y-1">
        <Segments
          label="Depth of the plan"
          value={depth}
          options={depths}
          onChange={(next) => useReadingEntry.setState({ depth: next, step: null, again: null })}
        />
        <Button className="ml-auto px-2" onClick={() => placeFree(view)}>
          Without the plan
        </Button>
        <Button
          aria-label="Large view"
          title="Large view of the step (B)"
          onClick={() => useReadingEntry.setState({ large: true })}
        >
          <Maximize2 aria-hidden size={16} />
        </Button>
      </div>
      {open && <StepCard readings={readings} step={open} />}
      <StepList readings={readings} />
    </div>
  );
}
