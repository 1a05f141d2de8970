import type { Instrument, MeterQuantity } from '@usual-drag/core/instrument';
import {
  newMeter,
  nextSetupId,
  setupCautions,
  type Setup,
  type SetupValues,
  type Unloaded,
} from '@usual-drag/core/loading';
import { keepInstrument, placedPositive, putMeter, putSetup, removeSetup } from '@usual-drag/core/job';
import { useMemo } from 'react';
import { toast } from '../../ui/toast.ts';
import { Button } from '../../ui/button.tsx';
import { useCommands, type Command } from '../../ui/commands.ts';
import { Note } from '../../ui/note.tsx';
import { useNewest } from '../../ui/use-newest.ts';
import type { Solved } from '../model/analysis.ts';
import { useBench } from '../model/bench-store.ts';
import { sayUndoable } from '../model/say-undoable.ts';
import { MeterCard } from './meter-card.tsx';
import { SetupChips } from './setup-chips.tsx';
import type { ConnectionTrial } from '../model/use-wrong-connection.ts';
import { JobFaultNote } from '../job-fault-note.tsx';

interface Props {
  readonly setup: Setup | undefined;
  /** As it is shown: while a lead is dragged, where it is held. */
  readonly shown: Setup | undefined;
  readonly unloaded: Solved<Unloaded>;
  /** The same without the fault that is tried. */
  readonly sound: Solved<Unloaded>;
  readonly values: Solved<SetupValues> | null;
  readonly kit: readonly Instrument[];
  readonly chosen: string | null;
  readonly trial: ConnectionTrial;
  readonly onChooseSetup: (id: string) => void;
  readonly onChooseMeter: (id: string) => void;
}

/** The third step: which meters are connected, what each indicates, and how far that is from the true value. */
export function SetupsStep({
  setup,
  shown,
  unloaded,
  sound,
  values,
  kit,
  chosen,
  trial,
  onChooseSetup,
  onChooseMeter,
}: Props) {
  const job = useBench((state) => state.document);
  const edit = useBench((state) => state.edit);
  const setups = job.setups ?? [];
  const right = values?.ok ? values.value : null;
  const miswired = trial.outcome?.ok ? trial.outcome.value : null;
  const cautions =
    shown && right && !miswired
      ? setupCautions(unloaded.ok ? unloaded.value.network : job.network, job.instruments ?? [], shown, right)
      : [];
  const meter = shown?.meters.find(({ id }) => id === chosen);

  const addSetup = (quantity: MeterQuantity): void => {
    const empty: Setup = { id: nextSetupId(setups), meters: [] };
    addMeter(empty, quantity);
    onChooseSetup(empty.id);
  };
  const addMeter = (to: Setup, quantity: MeterQuantity): void => {
    const instrument = kit.find((candidate) => newMeter(job.network, to, candidate, quantity) !== null);
    const added = instrument && newMeter(job.network, to, instrument, quantity);
    if (!instrument || !added)
      return void toast.error(
        'No meter was added: no instrument of the kit measures this, or every end is lifted already.',
      );
    const instruments = [instrument, ...(job.instruments ?? [])];
    const meter = placedPositive(unloaded, instruments, to, added);
    edit((current) => putMeter(keepInstrument(current, instrument), to, meter));
    onChooseMeter(meter.id);
  };
  const remove = (): void => {
    if (!setup) return;
    edit((current) => removeSetup(current, setup.id));
    sayUndoable(`Set-up ${setup.id} removed.`);
  };

  const duplicate = (copied: Setup): void => {
    const id = nextSetupId(setups);
    edit((current) => putSetup(current, id, { ...copied, id }));
    onChooseSetup(id);
  };
  const rename = (named: Setup, name: string): void => {
    edit((current) => putSetup(current, named.id, { ...named, id: name }));
    onChooseSetup(name);
  };

  const add = useNewest((quantity: MeterQuantity) => (setup ? addMeter(setup, quantity) : addSetup(quantity)));
  const addAnother = useNewest(addSetup);
  const copyOpen = useNewest(() => setup && duplicate(setup));
  const removeOpen = useNewest(remove);
  const hasSetup = setup !== undefined;
  const commands = useMemo(
    (): Command[] => [
      { group: 'Actions', text: 'Add voltmeter', run: () => add('dc-voltage') },
      { group: 'Actions', text: 'Add ammeter', run: () => add('dc-current') },
      { group: 'Actions', text: 'Add set-up with a voltmeter', run: () => addAnother('dc-voltage') },
      { group: 'Actions', text: 'Add set-up with an ammeter', run: () => addAnother('dc-current') },
      ...(hasSetup
        ? [
            { group: 'Actions', text: 'Duplicate this set-up', run: () => copyOpen() } as const,
            { group: 'Actions', text: 'Remove this set-up', run: () => removeOpen() } as const,
          ]
        : []),
    ],
    [add, addAnother, copyOpen, removeOpen, hasSetup],
  );
  useCommands('setups', commands);

  return (
    <div className="flex flex-col gap-1.5">
      <SetupChips
        setups={setups}
        setup={setup}
        chosen={chosen}
        onChooseSetup={onChooseSetup}
        onChooseMeter={onChooseMeter}
        onAddSetup={addSetup}
        onAddMeter={(quantity) => setup && addMeter(setup, quantity)}
        onDuplicate={duplicate}
        onRename={rename}
        onRemove={remove}
      />
      {(!setup || setup.meters.length === 0) && <FirstMeter onAdd={add} />}
      {values && !values.ok && <JobFaultNote fault={values.fault} />}
      {cautions.map((caution) => (
        <Note key={caution.message} kind={caution.kind}>
          {caution.message}
        </Note>
      ))}
      {setup && shown && meter && (
        <MeterCard
          setup={setup}
          meter={meter}
          shown={shown}
          unloaded={unloaded.ok ? unloaded.value : null}
          sound={sound.ok ? sound.value : null}
          values={right}
          reading={(miswired?.values ?? right)?.meters[meter.id] ?? null}
          kit={kit}
          trial={trial}
          onRemove={() =>
            edit((current) =>
              putSetup(current, setup.id, { ...setup, meters: setup.meters.filter(({ id }) => id !== meter.id) }),
            )
          }
        />
      )}
    </div>
  );
}

function FirstMeter({ onAdd }: { readonly onAdd: (quantity: MeterQuantity) => void }) {
  return (
    <div className="rounded-xl border border-dashed border-line bg-sheet p-4">
      <p className="mb-3">A set-up holds the meters that are connected at the same time. Add the first one:</p>
      <div className="flex flex-wrap gap-2">
        <Button tone="strong" onClick={() => onAdd('dc-voltage')}>
          Voltmeter across two nodes
        </Button>
        <Button onClick={() => onAdd('dc-current')}>Ammeter into a break</Button>
      </div>
    </div>
  );
}
