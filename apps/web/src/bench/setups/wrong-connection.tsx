import type { Instrument } from '@usual-drag/core/instrument';
import type { Meter, Unloaded } from '@usual-drag/core/loading';
import { misleadingReadings, wrongConnectionsOf, type WrongConnection } from '@usual-drag/core/faults';
import { Radio, RadioGroup } from '@headlessui/react';
import { isSameFault } from '../model/same-fault.ts';
import { tryFault } from '../model/try-fault.ts';
import { useTried } from '../model/tried.ts';
import type { ConnectionTrial } from '../model/use-wrong-connection.ts';
import { outcomeOf } from './wrong-connection-outcome.ts';

const connectionWords: Readonly<Record<WrongConnection, string>> = {
  'one-point': 'both leads on one point',
  hanging: 'one lead in no circuit',
  across: 'across the part instead of in series',
  'current-jack': 'red lead still in the current jack',
  'blown-fuse': 'fuse blown before',
  'leads-swapped': 'leads swapped',
};

interface Props {
  readonly jobId: string;
  /** Solved without a fault. */
  readonly sound: Unloaded;
  readonly meter: Meter;
  readonly instrument: Instrument;
  readonly trial: ConnectionTrial;
}

/**
 * Tries a wrong connection on the drawing: what it reads, what it does, and how to get out of it. A voltmeter's classic wrong
 * readings caused by a fault of the circuit are listed beside. The job is not changed.
 */
export function WrongConnectionPanel({ jobId, sound, meter, instrument, trial }: Props) {
  const tried = useTried(jobId);
  const misleading = meter.quantity === 'dc-voltage' ? misleadingReadings(sound, meter) : [];
  const byFault = misleading.flatMap((reading) =>
    'fault' in reading.cause ? [{ ...reading, fault: reading.cause.fault }] : [],
  );
  const options = [
    { value: 'correct', text: 'correct connection' },
    ...wrongConnectionsOf(meter, instrument).map((connection) => ({
      value: connection,
      text: connectionWords[connection],
    })),
    ...byFault.map(({ name }) => ({ value: name, text: name })),
  ];
  const connection = trial.tried?.meter === meter.id ? trial.tried.connection : null;
  const own = connection ?? byFault.find(({ fault }) => tried && isSameFault(tried, fault))?.name ?? 'correct';
  const shown = misleading.find(
    ({ name, cause }) => name === own || ('connection' in cause && cause.connection === connection),
  );
  const take = (next: string): void => {
    const fault = byFault.find(({ name }) => name === next)?.fault;
    const wrong = next === 'correct' || fault ? null : (next as WrongConnection);
    trial.tryConnection(wrong && { meter: meter.id, connection: wrong, outcome: outcomeOf(meter.id, wrong) });
    tryFault(jobId, fault ?? null);
  };
  return (
    <div className="flex flex-col gap-1.5">
      <p className="text-[14px] text-soft">
        Try a wrong connection: the drawing is changed, the job keeps the correct one.
      </p>
      <RadioGroup
        aria-label={`Connection of ${meter.id}`}
        value={own}
        onChange={take}
        className="grid grid-cols-2 gap-1.5"
      >
        {options.map(({ value, text }) => (
          <Radio
            key={value}
            value={value}
            className="flex min-h-9 cursor-pointer items-center rounded-lg border border-line bg-sheet px-2.5 text-[14px] leading-tight hover:border-soft data-checked:border-2 data-checked:border-ink data-checked:font-bold pointer-coarse:min-h-11"
          >
            {text}
          </Radio>
        ))}
      </RadioGroup>
      {shown && (
        <p className="text-[14px]">
          {shown.words} <b>The check:</b> {shown.check}
        </p>
      )}
    </div>
  );
}
