import { readingsAt, type PlanStep } from '@usual-drag/core/plan';
import { readingOrigin } from '@usual-drag/core/job';
import type { Reading } from '@usual-drag/core/readings';
import { ActionMenu } from '../../../ui/action-menu.tsx';
import { useBench } from '../../model/bench-store.ts';
import { openStep, useReadingEntry } from '../../model/reading-entry.ts';
import { useExplain } from '../diagnosis/use-explain.ts';
import { useOpenReading } from '../diagnosis/use-open-reading.ts';

interface Props {
  readonly reading: Reading;
  readonly steps: readonly PlanStep[];
  readonly onStrike: () => void;
}

/** The name of a reading in the log, with what can be done about it. */
export function ReadingMenu({ reading, steps, onStrike }: Props) {
  const jobId = useBench((state) => state.jobId) ?? '';
  const explain = useExplain();
  const openFree = useOpenReading(jobId);
  // A struck reading belongs to its step all the same.
  const { struck: _struck, ...asTaken } = reading;
  const open = (): void => {
    const step = steps.find((one) => one.do === 'read' && readingsAt([asTaken], one).length > 0);
    if (step) openStep(step.id);
    else openFree(reading);
  };
  return (
    <ActionMenu
      opens="to the right"
      className="min-h-6 min-w-6 rounded px-1 font-bold underline decoration-dotted underline-offset-4 hover:bg-sunk pointer-coarse:min-h-11 pointer-coarse:min-w-11"
      actions={
        reading.struck
          ? [{ text: `Read ${reading.id} again`, act: open }]
          : [
              { text: `Read ${reading.id} again`, act: open },
              {
                text: 'Add an observation',
                act: () => {
                  open();
                  useReadingEntry.setState({ again: readingOrigin(reading) });
                },
              },
              { text: `Strike ${reading.id} out …`, act: onStrike },
              {
                text: `Explain ${reading.id}`,
                act: () => explain(reading.id),
              },
            ]
      }
    >
      {reading.id}
    </ActionMenu>
  );
}
