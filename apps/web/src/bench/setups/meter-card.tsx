import { findRange, indicatedWhen, rangesOf, type Instrument } from '@usual-drag/core/instrument';
import {
  changeInstrument,
  isLinear,
  type Meter,
  type MeterReading,
  type Setup,
  type SetupValues,
  type Unloaded,
} from '@usual-drag/core/loading';
import { keepInstrument, putMeter } from '@usual-drag/core/job';
import { Trash2 } from 'lucide-react';
import type { CorrectionQuestion } from '@usual-drag/core/readings';
import { useCallback, useMemo } from 'react';
import { Button } from '../../ui/button.tsx';
import { Choice } from '../../ui/choice.tsx';
import { Note } from '../../ui/note.tsx';
import { Segments } from '../../ui/segments.tsx';
import { useBench } from '../model/bench-store.ts';
import { useCorrected } from './corrected.ts';
import { KitVersion } from './kit-version.tsx';
import { Leads } from '../canvas/leads.tsx';
import { MeterChecks } from './meter-checks.tsx';
import { MeterFace } from './meter-face.tsx';
import { MeterTabs } from './meter-tabs.tsx';
import { useMeasurementPoint } from './range-options.ts';
import type { ConnectionTrial } from '../model/use-wrong-connection.ts';

const none: readonly never[] = [];

interface Props {
  readonly setup: Setup;
  /** As it is shown: while a lead is dragged, where it is held. */
  readonly meter: Meter;
  readonly reading: MeterReading | null;
  /** The set-up's values with every meter connected correctly. */
  readonly values: SetupValues | null;
  readonly kit: readonly Instrument[];
  readonly unloaded: Unloaded | null;
  /** The same without the fault that is tried. */
  readonly sound: Unloaded | null;
  /** As it is shown, with the meter where it is held. */
  readonly shown: Setup;
  readonly trial: ConnectionTrial;
  readonly onRemove: () => void;
}

/** One meter: instrument, range and leads, its reading, and below in tabs what follows from it. */
export function MeterCard(props: Props) {
  const { setup, shown, meter, reading, values, kit, unloaded, sound, trial, onRemove } = props;
  const job = useBench((state) => state.document);
  const edit = useBench((state) => state.edit);
  const { quantity } = meter;
  const instruments = job.instruments ?? none;
  const fitting = useMemo(() => {
    const both = [...instruments, ...kit.filter(({ id }) => !instruments.some((other) => other.id === id))];
    return both.filter((candidate) => rangesOf(candidate, quantity).length > 0);
  }, [instruments, kit, quantity]);
  const instrument = fitting.find((candidate) => candidate.id === meter.instrument);
  const range = instrument && findRange(instrument, quantity, meter.range);
  const point = useMeasurementPoint(unloaded, instruments, shown, meter);
  const corrected = useCorrected(point, instrument, range, reading);
  const questionAt = useCallback(
    (display: number): CorrectionQuestion | null =>
      unloaded && { of: 'display', network: unloaded.network, instruments, setup: shown, meter: meter.id, display },
    [unloaded, instruments, shown, meter.id],
  );
  const wrong = trial.tried?.meter === meter.id ? trial.outcome : null;
  const place = (next: Meter): void => edit((current) => putMeter(current, setup, next));
  const take = (id: string): void => {
    const next = fitting.find((candidate) => candidate.id === id);
    if (next) edit((current) => putMeter(keepInstrument(current, next), setup, changeInstrument(meter, next)));
  };
  return (
    <section aria-label={`Meter ${meter.id}`} className="flex flex-col gap-1">
      <div className="flex items-center gap-1.5">
        <Choice
          label={`Instrument of ${meter.id}`}
          className="min-w-0 grow"
          value={meter.instrument}
          options={fitting.map(({ id, name }) => ({ value: id, text: name ?? id }))}
          onChange={take}
          missing="Choose an instrument"
        />
        <Button tone="quiet" aria-label={`Remove ${meter.id}`} title={`Remove ${meter.id}`} onClick={onRemove}>
          <Trash2 aria-hidden size={17} />
        </Button>
      </div>
      <MeterChecks
        meter={meter}
        instrument={instrument}
        range={range}
        shortCircuit={quantity === 'dc-current' ? (point?.ideal ?? null) : null}
      />
      {instrument && (
        <Segments
          label={`Range of ${meter.id}`}
          wrap
          value={meter.range}
          options={rangesOf(instrument, quantity).map(({ id }) => ({ value: id, text: id }))}
          onChange={(id) => place({ ...meter, range: id })}
        />
      )}
      {instrument && <KitVersion instrument={instrument} />}
      <Leads setup={setup} meter={meter} place={place} />
      {reading && (
        <MeterFace
          meter={meter}
          reading={reading}
          instrument={instrument}
          range={range}
          explained={!wrong}
          corrected={wrong ? null : corrected}
          question={
            reading.indicated === null ? null : questionAt(indicatedWhen(range?.calibration, reading.indicated))
          }
          linear={!unloaded || isLinear(unloaded)}
        />
      )}
      {wrong?.ok && <Note kind={wrong.value.caution.kind}>{wrong.value.caution.message}</Note>}
      {wrong && !wrong.ok && <Note kind="hazard">{wrong.fault.message}</Note>}
      {unloaded && (
        <MeterTabs
          sound={sound ?? unloaded}
          setup={setup}
          shown={shown}
          meter={meter}
          instrument={instrument}
          range={range}
          fitting={fitting}
          point={point}
          reading={reading}
          questionAt={questionAt}
          unloaded={unloaded}
          values={values}
          trial={trial}
        />
      )}
    </section>
  );
}
