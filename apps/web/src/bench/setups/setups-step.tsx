import {
  keepInstrument,
  newMeter,
  nextSetupId,
  putMeter,
  putSetup,
  removeSetup,
  setupCautions,
  type Instrument,
  type MeterQuantity,
  type Setup,
  type SetupValues,
  type Unloaded,
} from '@usual-drag/core';
import clsx from 'clsx';
import { Plus, Trash2 } from 'lucide-react';
import { toast } from 'sonner';
import { Button } from '../../ui/button.tsx';
import { Note } from '../../ui/note.tsx';
import type { Solved } from '../model/analysis.ts';
import { useBench } from '../model/bench-store.ts';
import { sayUndoable } from '../model/say-undoable.ts';
import { MeterCard } from './meter-card.tsx';
import { ResistanceFound } from './resistance-found.tsx';
import { Ohmmeter } from './ohmmeter.tsx';
import { SupplyDisplay } from './supply-display.tsx';
import { Together } from './together.tsx';
import type { MistakeTrial } from './use-mistake.ts';

interface Props {
  readonly setup: Setup | undefined;
  /** As it is shown: while a lead is dragged, where it is held. */
  readonly shown: Setup | undefined;
  readonly unloaded: Solved<Unloaded>;
  readonly values: Solved<SetupValues> | null;
  readonly kit: readonly Instrument[];
  readonly chosen: string | null;
  /** A meter handled wrongly on purpose. */
  readonly trial: MistakeTrial;
  readonly onChooseSetup: (id: string) => void;
  readonly onChooseMeter: (id: string) => void;
}

/** The third step: which meters are connected, what each shows, and how far that is from the truth. */
export function SetupsStep({
  setup,
  shown,
  unloaded,
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
  const mistaken = trial.outcome?.ok ? trial.outcome.value : null;
  const solved = mistaken?.values ?? right;
  const cautions = shown && right && !mistaken ? setupCautions(job.network, job.instruments ?? [], shown, right) : [];

  const addSetup = (quantity: MeterQuantity): void => {
    const empty: Setup = { id: nextSetupId(setups), meters: [] };
    addMeter(empty, quantity);
    onChooseSetup(empty.id);
  };
  const addMeter = (to: Setup, quantity: MeterQuantity): void => {
    const instrument = kit.find((candidate) => newMeter(job.network, to, candidate, quantity) !== null);
    const meter = instrument && newMeter(job.network, to, instrument, quantity);
    if (!instrument || !meter)
      return void toast.error('There is no free end left to lift, or no instrument in the kit.');
    edit((current) => putMeter(keepInstrument(current, instrument), to, meter));
    onChooseMeter(meter.id);
  };
  const remove = (): void => {
    if (!setup) return;
    edit((current) => removeSetup(current, setup.id));
    sayUndoable(`Set-up ${setup.id} removed.`);
  };

  return (
    <div className="flex flex-col gap-4">
      <div className="flex flex-wrap items-center gap-2" role="group" aria-label="Set-ups">
        {setups.map(({ id }) => (
          <button
            key={id}
            type="button"
            aria-pressed={id === setup?.id}
            className={clsx(
              'min-h-9 rounded-lg border bg-sheet px-3',
              id === setup?.id ? 'border-2 border-ink font-bold' : 'border-line hover:border-soft',
            )}
            onClick={() => onChooseSetup(id)}
          >
            {id}
          </button>
        ))}
        <Button tone="quiet" onClick={() => addSetup('dc-voltage')}>
          <Plus aria-hidden size={16} /> Set-up
        </Button>
        {setup && (
          <Button tone="quiet" aria-label={`Remove set-up ${setup.id}`} className="ml-auto px-2" onClick={remove}>
            <Trash2 aria-hidden size={17} />
          </Button>
        )}
      </div>
      {!setup && <FirstSetup onAdd={addSetup} />}
      {values && !values.ok && <Note kind="limit">{values.fault.message}</Note>}
      {cautions.map((caution) => (
        <Note key={caution.message} kind={caution.kind}>
          {caution.message}
        </Note>
      ))}
      {setup &&
        shown?.meters.map((meter) => (
          <div
            key={meter.id}
            onFocus={() => onChooseMeter(meter.id)}
            onPointerDown={() => onChooseMeter(meter.id)}
            className={clsx(
              'border-l-4 pl-3',
              meter.id === chosen && shown.meters.length > 1 ? 'border-(--ochre-line)' : 'border-transparent',
            )}
          >
            <MeterCard
              setup={setup}
              meter={meter}
              shown={shown}
              unloaded={solved && unloaded.ok ? unloaded.value : null}
              reading={solved?.meters[meter.id] ?? null}
              kit={kit}
              trial={trial}
              onRemove={() =>
                edit((current) =>
                  putSetup(current, setup.id, {
                    ...setup,
                    meters: setup.meters.filter((other) => other.id !== meter.id),
                  }),
                )
              }
            />
          </div>
        ))}
      {solved && <SupplyDisplay network={job.network} values={solved} />}
      {unloaded.ok && setup && <Ohmmeter unloaded={unloaded.value} />}
      {shown && right && !mistaken && unloaded.ok && shown.meters.length > 1 && (
        <>
          <Together unloaded={unloaded.value} instruments={job.instruments ?? []} setup={shown} />
          <ResistanceFound network={job.network} setup={shown} values={right} />
        </>
      )}
      {setup && (
        <div className="flex flex-wrap gap-2">
          <Button onClick={() => addMeter(setup, 'dc-voltage')}>
            <Plus aria-hidden size={16} /> Voltmeter
          </Button>
          <Button onClick={() => addMeter(setup, 'dc-current')}>
            <Plus aria-hidden size={16} /> Ammeter
          </Button>
        </div>
      )}
    </div>
  );
}

function FirstSetup({ onAdd }: { readonly onAdd: (quantity: MeterQuantity) => void }) {
  return (
    <div className="rounded-xl border border-dashed border-line bg-sheet p-4">
      <p className="mb-3">A set-up holds the meters that are connected at the same time. Begin with one of them:</p>
      <div className="flex gap-2">
        <Button tone="strong" onClick={() => onAdd('dc-voltage')}>
          Voltmeter across two nodes
        </Button>
        <Button onClick={() => onAdd('dc-current')}>Ammeter into a break</Button>
      </div>
    </div>
  );
}
