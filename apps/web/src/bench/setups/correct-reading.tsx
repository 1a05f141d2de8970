import { formatMeasured, formatMeasuredValue, formatQuantity, parseQuantity } from '@usual-drag/core/quantity';
import { indicatedWhen, ownErrorAt, unitOf, type Instrument, type Range } from '@usual-drag/core/instrument';
import {
  cannotCorrectWords,
  correctDisplay,
  explainCorrection,
  type MeasurementPoint,
  type Meter,
  type MeterReading,
} from '@usual-drag/core/loading';
import type { CorrectionQuestion } from '@usual-drag/core/readings';
import { useMemo, useState } from 'react';
import { BudgetButton } from '../../budget/budget-button.tsx';
import { fetchedLater } from '../../ui/fetched-later.ts';
import { Panel } from '../../ui/panel.tsx';
import { OwnErrorLine } from '../../correction/own-error-line.tsx';
import { ValueField } from '../../ui/value-field.tsx';

const FromReadings = fetchedLater(async () => (await import('../../correction/from-readings.tsx')).FromReadings);

interface Props {
  readonly meter: Meter;
  readonly instrument: Instrument;
  readonly range: Range;
  readonly point: MeasurementPoint | null;
  /** The meter's reading in the set-up. */
  readonly predicted: MeterReading | null;
  /** Names of the other meters of the set-up. */
  readonly others: readonly string[];
  /** The corrected value of a display of this meter, V or A. */
  readonly questionAt: (display: number) => CorrectionQuestion | null;
}

/** A reading, typed or as predicted, corrected to the true value with no meter connected. */
export function CorrectReading({ meter, instrument, range, point, predicted, others, questionAt }: Props) {
  // Mounted when it is first opened; what is typed in it stays when it is closed.
  const [unknown, setUnknown] = useState(false);
  /** Typed text by range: it remains while another range is selected. */
  const [typed, setTyped] = useState<Readonly<Record<string, number>>>({});
  const unit = unitOf(meter.quantity);
  // A display that cannot be read has no value to correct.
  const indicated = predicted?.state === 'ok' ? predicted.indicated : null;
  const reading = typed[range.id] ?? (indicated === null ? null : indicatedWhen(range.calibration, indicated));
  const ownError = reading === null ? 0 : ownErrorAt(range.calibration, reading);
  const result = point && reading !== null ? correctDisplay(instrument, range, reading, point.correctionOn) : null;
  const corrected = result?.ok ? result.value : null;
  const question = useMemo(
    () => (corrected && reading !== null ? questionAt(reading) : null),
    [corrected, reading, questionAt],
  );
  const formula =
    point && corrected && reading !== null
      ? explainCorrection(meter.quantity, reading - ownError, point, range.resistance, others)
      : null;
  return (
    <section aria-label={`Corrected reading of ${meter.id}`} className="flex flex-col gap-2">
      <div className="flex items-end gap-3 border-l-4 border-ink pl-3">
        <ValueField
          label="Reading"
          showLabel
          className="w-28"
          shown={reading === null ? '' : formatQuantity(reading, unit)}
          read={(text) => parseQuantity(text, unit)}
          onCommit={(value) => setTyped({ ...typed, [range.id]: value })}
        />
        <p>
          <span className="text-[14px] text-soft">Corrected: true value with no meter connected</span>
          <br />
          <b data-testid="corrected" className="figures text-[20px]">
            {corrected ? formatMeasured(corrected.value, corrected.uncertainty, unit) : 'cannot be corrected'}
          </b>{' '}
          {question && <BudgetButton of={question} unit={unit} name={meter.id} />}
        </p>
      </div>
      {range.calibration && reading !== null && (
        <OwnErrorLine calibration={range.calibration} unit={unit} reading={reading} ownError={ownError} />
      )}
      {corrected && formula && (
        <p className="figures rounded-lg bg-sunk px-3 py-1.5 text-[14px]">
          {formula} = <b>{formatMeasuredValue(corrected.value, corrected.uncertainty, unit)}</b>, U with k = 2
        </p>
      )}
      {!corrected && (
        <p className="text-[14px]">
          {result && !result.ok
            ? cannotCorrectWords[result.fault]
            : 'This set-up gives no reading to correct. Type one.'}
        </p>
      )}
      <details onToggle={(event) => event.currentTarget.open && setUnknown(true)}>
        <summary className="min-h-6 text-[14px]">
          Source resistance <b>not known</b>? Take readings on two ranges.
        </summary>
        {unknown && (
          <Panel name="The correction from several readings">
            <div className="mt-2">
              <FromReadings quantity={meter.quantity} instrument={instrument} range={meter.range} />
            </div>
          </Panel>
        )}
      </details>
    </section>
  );
}
