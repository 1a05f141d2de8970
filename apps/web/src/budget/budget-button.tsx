import type { Unit } from '@usual-drag/core/quantity';
import { ChartBarDecreasing } from 'lucide-react';
import { useId, useState } from 'react';
import { fetchedLater } from '../ui/fetched-later.ts';
import { Panel } from '../ui/panel.tsx';
import type { BudgetSource } from './budget-source.ts';

const BudgetView = fetchedLater(async () => (await import('./budget-view.tsx')).BudgetView);

interface Props {
  /** The corrected value, as it is computed again for its budget; or readings on several ranges that it was found from. */
  readonly of: BudgetSource;
  readonly unit: Unit;
  /** Name of the value: M3, V1. */
  readonly name: string;
}

/** Button beside a corrected value that opens the budget of its uncertainty. */
export function BudgetButton({ of, unit, name }: Props) {
  const [open, setOpen] = useState(false);
  const id = useId();
  return (
    <>
      <button
        type="button"
        popoverTarget={id}
        aria-expanded={open}
        aria-label={`Uncertainty budget of ${name}`}
        title="Uncertainty budget"
        className="-my-1 inline-flex min-h-6 min-w-6 items-center justify-center rounded-md border border-line bg-sheet px-1 align-middle text-soft hover:border-soft pointer-coarse:min-h-11 pointer-coarse:min-w-11"
      >
        <ChartBarDecreasing aria-hidden size={15} />
      </button>
      <div
        id={id}
        popover="auto"
        role="dialog"
        aria-label={`Uncertainty budget of ${name}`}
        className="m-auto max-h-[90vh] w-[min(36rem,calc(100vw-1rem))] overflow-y-auto rounded-xl border border-line bg-sheet p-4 text-left font-sans font-normal whitespace-normal text-ink shadow-xl"
        onToggle={(event) => setOpen(event.newState === 'open')}
      >
        {open && (
          <Panel name="The uncertainty budget">
            <BudgetView of={of} unit={unit} name={name} />
          </Panel>
        )}
      </div>
    </>
  );
}
