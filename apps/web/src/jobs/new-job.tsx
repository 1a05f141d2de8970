import { jobFrom, newJob, startingCircuits, type Job } from '@usual-drag/core/job';
import { ChevronDown, Plus } from 'lucide-react';
import { ActionMenu } from '../ui/action-menu.tsx';
import { Button } from '../ui/button.tsx';

interface Props {
  readonly onCreate: (job: Job) => void;
  readonly onImport: () => void;
}

/** Begins a job: blank, from a file, or from a starting circuit. */
export function NewJob({ onCreate, onImport }: Props) {
  return (
    <span className="flex">
      <Button tone="strong" className="rounded-r-none" onClick={() => onCreate(newJob('New job'))}>
        <Plus aria-hidden size={18} /> New job
      </Button>
      <ActionMenu
        label="Begin a job from"
        className="inline-flex min-h-9 items-center rounded-r-lg border-l border-onbar/30 bg-bar px-2 text-onbar hover:opacity-90 pointer-coarse:min-h-11"
        actions={[
          { text: 'From a file', act: onImport },
          ...startingCircuits.map((circuit) => ({
            text: `${circuit.name}: ${circuit.purpose}`,
            act: () => onCreate(jobFrom(circuit)),
          })),
        ]}
      >
        <ChevronDown aria-hidden size={18} />
      </ActionMenu>
    </span>
  );
}
