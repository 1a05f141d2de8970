import { formatMeasured, formatPercent, formatQuantity } from '@usual-drag/core/quantity';
import { displayToExpect, indicatedWhen, unitOf, type Instrument, type Range } from '@usual-drag/core/instrument';
import {
  displayText,
  explainReading,
  meterStateWords,
  readableError,
  type CorrectedValue,
  type Meter,
  type MeterReading,
} from '@usual-drag/core/loading';
import clsx from 'clsx';
import type { CorrectionQuestion } from '@usual-drag/core/readings';
import { BudgetButton } from '../../budget/budget-button.tsx';

interface Props {
  readonly meter: Meter;
  readonly reading: MeterReading;
  readonly instrument: Instrument | undefined;
  readonly range: Range | undefined;
  /** With the formula that leads from true to indicated. */
  readonly explained: boolean;
  readonly corrected: CorrectedValue | null;
  /** The corrected value, for its budget. */
  readonly question: CorrectionQuestion | null;
  /** No load of the circuit has a curve of its own. */
  readonly linear: boolean;
}

/** The reading card: indicated and true value, the error between them, and the formula that leads from one to the other. */
export function MeterFace({ meter, reading, instrument, range, explained, corrected, question, linear }: Props) {
  const unit = unitOf(meter.quantity);
  const calibration = reading.state === 'ok' ? range?.calibration : undefined;
  const shown =
    instrument && range && calibration
      ? displayToExpect(instrument, meter.quantity, range, reading.indicated)
      : reading;
  const isReadable = reading.state === 'ok';
  const working = explainReading(meter, reading, linear);
  return (
    <div className="rounded-xl border border-line bg-sheet">
      <div className="px-4 pt-1.5 pb-2">
        <dl className="flex justify-between gap-4">
          <div>
            <dt className="text-[14px] text-soft">{isReadable ? 'Indicated' : 'Display'}</dt>
            <dd
              data-testid="indicated"
              className={clsx(
                'font-bold text-ochre',
                isReadable ? 'figures text-[36px] leading-none whitespace-nowrap' : 'text-[24px] leading-tight',
              )}
            >
              {isReadable ? formatQuantity(reading.indicated, unit) : meterStateWords[reading.state]}
            </dd>
          </div>
          <div>
            <dt className="text-[14px] text-soft">True</dt>
            <dd data-testid="true" className="figures text-[24px] leading-tight whitespace-nowrap text-ink">
              {formatQuantity(reading.true, unit)}
            </dd>
          </div>
        </dl>
        <ShareBar reading={reading} />
        <p className="mt-1 flex flex-wrap items-baseline justify-between gap-x-3">
          <span className="whitespace-nowrap">
            <span className="text-soft">{meter.quantity === 'dc-voltage' ? 'Loading error' : 'Insertion error'} </span>
            <span data-testid="error" className="figures text-[17px] font-bold text-ochre">
              {readableError(reading) !== null && <>{formatPercent(readableError(reading), { signed: true })} · </>}
              {formatQuantity(reading.error, unit, { digits: 3, signed: true })}
            </span>
          </span>
          <span data-testid="display" className="whitespace-nowrap text-soft">
            {isReadable ? 'display ' : 'at the terminals '}
            <span className="figures text-ink">
              {isReadable ? displayText({ ...shown, state: reading.state }) : formatQuantity(reading.indicated, unit)}
            </span>
          </span>
        </p>
        {calibration && reading.indicated !== null && (
          <p className="text-soft">
            own error by its certificate of {calibration.on}{' '}
            <span className="figures text-ink">
              {formatQuantity(indicatedWhen(calibration, reading.indicated) - reading.indicated, unit, {
                digits: 2,
                signed: true,
              })}
            </span>
            , in the display
          </p>
        )}
        {corrected && (
          <p data-testid="face-corrected" className="text-soft">
            corrected to no meter connected{' '}
            <b className="figures text-ink">{formatMeasured(corrected.value, corrected.uncertainty, unit)}</b>{' '}
            {question && <BudgetButton of={question} unit={unit} name={meter.id} />}
          </p>
        )}
      </div>
      {explained && (
        <div className="rounded-b-xl bg-sunk px-4 py-1" data-testid="formula">
          {working.formula && (
            <p className="figures text-[13px]">
              {working.formula}{' '}
              <span className="whitespace-nowrap">
                = <b className="text-ochre">{working.result}</b>
              </span>
            </p>
          )}
          <p className="text-[14px] leading-snug text-soft">{working.sentence}</p>
        </div>
      )}
    </div>
  );
}

/** Share of the true value that reaches the meter; the share that its loading takes is hatched. */
function ShareBar({ reading }: { readonly reading: MeterReading }) {
  const error = readableError(reading);
  const share = error === null ? null : 1 + error;
  if (share === null || share < 0 || share > 1.5) return null;
  const full = Math.max(1, share);
  return (
    <div aria-hidden className="mt-1.5 flex h-2.5 overflow-hidden rounded-sm border border-(--ochre-line)">
      <div className="bg-(--ochre-line)" style={{ width: `${(Math.min(share, 1) / full) * 100}%` }} />
      <div
        className="grow"
        style={{
          background:
            'repeating-linear-gradient(45deg, transparent 0 4px, color-mix(in srgb, var(--ochre-line) 45%, transparent) 4px 5.5px)',
        }}
      />
    </div>
  );
}
