import { misleadingReadings, type MisleadingReading, type Unloaded, type VoltmeterPlacement } from '@usual-drag/core';
import { Button } from '../../ui/button.tsx';
import { asTried, isSameFault } from '../faults/try.ts';
import { tryFault, useTried } from '../model/tried.ts';

interface Props {
  readonly jobId: string;
  /** Solved without a fault. */
  readonly sound: Unloaded;
  readonly meter: VoltmeterPlacement;
  /** The wrong connection that is tried on the meter; null where none is. */
  readonly connection: string | null;
  readonly onConnect: (connection: string | null) => void;
}

/** The four classic voltage readings that mislead, tried by a click, each with the check that exposes it. */
export function Misleading({ jobId, sound, meter, connection, onConnect }: Props) {
  const tried = useTried(jobId);
  const readings = misleadingReadings(sound, meter);
  const isOn = ({ cause }: MisleadingReading): boolean =>
    'connection' in cause
      ? connection === cause.connection
      : tried !== null && isSameFault(tried.hypothesis, cause.fault);
  const toggle = (reading: MisleadingReading): void => {
    const { cause } = reading;
    const off = isOn(reading);
    onConnect('connection' in cause && !off ? cause.connection : null);
    tryFault(jobId, 'fault' in cause && !off ? asTried(cause.fault) : null);
  };
  const shown = readings.find(isOn);
  return (
    <section aria-label="Voltage readings that mislead" className="flex flex-col gap-1.5 text-[14px]">
      <p className="font-bold">Voltage readings that mislead</p>
      <div className="flex flex-wrap gap-1.5">
        {readings.map((reading) => (
          <Button key={reading.name} aria-pressed={isOn(reading)} onClick={() => toggle(reading)}>
            {reading.name}
          </Button>
        ))}
      </div>
      {shown && (
        <p>
          {shown.words} <b>The check:</b> {shown.check}
        </p>
      )}
    </section>
  );
}
