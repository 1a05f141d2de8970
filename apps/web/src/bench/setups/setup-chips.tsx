import type { MeterQuantity } from '@usual-drag/core/instrument';
import { setupName } from '@usual-drag/core/job';
import type { Setup } from '@usual-drag/core/loading';
import clsx from 'clsx';
import { Gauge, Plus } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { ActionMenu } from '../../ui/action-menu.tsx';
import { Button } from '../../ui/button.tsx';
import { ValueField } from '../../ui/value-field.tsx';

interface Props {
  readonly setups: readonly Setup[];
  readonly setup: Setup | undefined;
  readonly chosen: string | null;
  readonly onChooseSetup: (id: string) => void;
  readonly onChooseMeter: (id: string) => void;
  readonly onAddSetup: (quantity: MeterQuantity) => void;
  readonly onAddMeter: (quantity: MeterQuantity) => void;
  readonly onDuplicate: (setup: Setup) => void;
  readonly onRename: (setup: Setup, name: string) => void;
  readonly onRemove: () => void;
}

/** The set-ups of the job, and the meters of the one that is open: one of each is chosen. */
export function SetupChips(props: Props) {
  const { setups, setup, chosen, onChooseSetup, onChooseMeter, onAddSetup, onAddMeter } = props;
  const [renamed, setRenamed] = useState<string | null>(null);
  if (setup && renamed === setup.id)
    return (
      <div className="flex items-end gap-1.5">
        <ValueField
          label="Name of the set-up"
          showLabel
          autoFocus
          className="grow"
          shown={setup.id}
          read={(text) =>
            setupName(
              text,
              setups.filter((other) => other !== setup),
            )
          }
          onCommit={(name) => {
            setRenamed(null);
            props.onRename(setup, name);
          }}
        />
        <Button onClick={() => setRenamed(null)}>Cancel</Button>
      </div>
    );
  return (
    <div className="flex flex-wrap items-center gap-1.5">
      <div className="flex flex-wrap items-center gap-1.5" role="group" aria-label="Set-ups">
        {setups.map(({ id }) => (
          <Chip key={id} on={id === setup?.id} onClick={() => onChooseSetup(id)}>
            {id}
          </Chip>
        ))}
        <ActionMenu
          label="Add set-up"
          className="inline-flex size-9 items-center justify-center rounded-lg hover:bg-sunk pointer-coarse:size-11"
          actions={[
            { text: 'Voltmeter across two nodes', act: () => onAddSetup('dc-voltage') },
            { text: 'Ammeter into a break', act: () => onAddSetup('dc-current') },
            ...(setup ? [{ text: `Copy of ${setup.id}`, act: () => props.onDuplicate(setup) }] : []),
          ]}
        >
          <Plus aria-hidden size={17} />
        </ActionMenu>
      </div>
      {setup && (
        <div className="ml-auto flex flex-wrap items-center gap-1.5" role="group" aria-label={`Meters of ${setup.id}`}>
          {setup.meters.map(({ id }) => (
            <Chip key={id} round on={id === chosen} onClick={() => onChooseMeter(id)}>
              {id}
            </Chip>
          ))}
          <ActionMenu
            actions={[
              { text: 'Add voltmeter', act: () => onAddMeter('dc-voltage') },
              { text: 'Add ammeter', act: () => onAddMeter('dc-current') },
              { text: `Rename set-up ${setup.id}`, act: () => setRenamed(setup.id) },
              { text: `Remove set-up ${setup.id}`, act: props.onRemove },
            ]}
          >
            <Gauge aria-hidden size={16} /> Meters
          </ActionMenu>
        </div>
      )}
    </div>
  );
}

interface ChipProps {
  readonly on: boolean;
  readonly round?: boolean;
  readonly onClick: () => void;
  readonly children: ReactNode;
}

function Chip({ on, round = false, onClick, children }: ChipProps) {
  return (
    <button
      type="button"
      aria-pressed={on}
      className={clsx(
        'min-h-9 border bg-sheet pointer-coarse:min-h-11',
        round ? 'figures min-w-9 rounded-full px-1.5 text-ochre' : 'rounded-lg px-2.5',
        on ? 'border-2 font-bold' : 'border-line hover:border-soft',
        on && (round ? 'border-(--ochre-line)' : 'border-ink'),
      )}
      onClick={onClick}
    >
      {children}
    </button>
  );
}
