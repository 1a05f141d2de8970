import { fail } from '@usual-drag/core/result';
import { correctionPicture } from '@usual-drag/core/drawing';
import {
  formatMeasured,
  formatPercent,
  formatQuantity,
  parsePercent,
  parseQuantity,
  ohms,
} from '@usual-drag/core/quantity';
import {
  ownErrorAt,
  type Instrument,
  type MeterQuantity,
  type Range,
  unitOf,
  withoutOwnError,
} from '@usual-drag/core/instrument';
import { cannotCorrectWords, correctDisplay, correctionFromSource, loadingShare } from '@usual-drag/core/loading';
import { sourceQuestion } from '@usual-drag/core/readings';
import { useMemo } from 'react';
import { BudgetButton } from '../budget/budget-button.tsx';
import { MarksView } from '../drawing/marks-view.tsx';
import { SagPattern } from '../drawing/sag-view.tsx';
import { ValueField } from '../ui/value-field.tsx';
import { useLastCorrection } from './last-correction.ts';
import { OwnErrorLine } from './own-error-line.tsx';

interface Props {
  readonly quantity: MeterQuantity;
  readonly instrument: Instrument;
  readonly range: Range;
}

/** Correction for a known source resistance: a picture with its fields, and the corrected value. */
export function KnownSource({ quantity, instrument, range }: Props) {
  const unit = unitOf(quantity);
  const { read, source, spread } = useLastCorrection();
  const put = useLastCorrection.setState;
  const result = useMemo(
    () =>
      read === null || source === null
        ? null
        : correctDisplay(instrument, range, read, correctionFromSource(quantity, source, spread)),
    [instrument, range, read, source, spread, quantity],
  );
  const question = useMemo(
    () =>
      read === null || source === null ? null : sourceQuestion(quantity, source, spread, instrument, range.id, read),
    [read, source, spread, quantity, instrument, range.id],
  );
  const ownError = read === null ? 0 : ownErrorAt(range.calibration, read);
  const indicated = read === null ? null : withoutOwnError(range.calibration, read);
  return (
    <>
      <div className="flex max-w-[430px] flex-col">
        <div className="flex items-start gap-3 pl-[8%]">
          <ValueField
            label="Source resistance"
            showLabel
            className="w-30"
            placeholder="Ω"
            shown={source === null ? '' : formatQuantity(source, 'Ω', { digits: 6, trim: true })}
            read={(text) => {
              const ohm = parseQuantity(text, 'Ω');
              return ohm.ok && ohm.value < 0 ? fail({ message: 'Not below zero.' }) : ohm;
            }}
            onCommit={(next) => put({ source: next })}
          />
          <ValueField
            label="known to ±"
            showLabel
            className="w-20"
            shown={formatPercent(spread, { digits: 3, trim: true })}
            read={parsePercent}
            onCommit={(next) => put({ spread: next })}
          />
        </div>
        <Situation quantity={quantity} indicated={indicated} corrected={result?.ok ? result.value : null} />
        <ValueField
          label="Read"
          showLabel
          className="ml-[42%] w-28"
          placeholder={unit}
          shown={read === null ? '' : formatQuantity(read, unit, { digits: 6, trim: true })}
          read={(text) => parseQuantity(text, unit)}
          onCommit={(next) => put({ read: next })}
        />
      </div>
      {range.calibration && read !== null && (
        <OwnErrorLine calibration={range.calibration} unit={unit} reading={read} ownError={ownError} />
      )}
      {result && indicated !== null && source !== null && (
        <p className="border-l-4 border-ink pl-3">
          <b data-testid="corrected" className="figures text-[20px]">
            {result.ok ? formatMeasured(result.value.value, result.value.uncertainty, unit) : 'cannot be corrected'}
          </b>{' '}
          {result.ok && question && <BudgetButton of={question} unit={unit} name="the corrected value" />}
          {!result.ok && <> {cannotCorrectWords[result.fault]}</>}
          <br />
          <span className="figures text-[14px] text-soft">
            {formatQuantity(indicated, unit)} × (1 +{' '}
            {quantity === 'dc-voltage'
              ? `${ohms(source)} / ${ohms(range.resistance)}`
              : `${ohms(range.resistance)} / ${ohms(source)}`}
            )
          </span>
          <br />
          <span className="text-[14px] text-soft">
            Loading changes the reading by{' '}
            {formatPercent(loadingShare(source, range.resistance, quantity), { digits: 3 })}. U (k = 2) contains the
            accuracy and the resolution of the range, ±{formatPercent(spread, { digits: 3, trim: true })} of the source
            resistance
            {range.resistanceTolerance
              ? ` and ±${formatPercent(range.resistanceTolerance, { digits: 3, trim: true })} of the meter’s resistance`
              : ''}
            .
          </span>
        </p>
      )}
    </>
  );
}

/** Picture of the source, its resistance and the meter, with the indicated and the corrected value to scale. */
function Situation(shown: Parameters<typeof correctionPicture>[0]) {
  const { quantity, indicated, corrected } = shown;
  const { width, height, marks, sag } = useMemo(
    () => correctionPicture({ quantity, indicated, corrected }),
    [quantity, indicated, corrected],
  );
  return (
    <svg
      role="img"
      aria-label={`A source with its resistance and ${quantity === 'dc-voltage' ? 'a voltmeter' : 'an ammeter'}; the indicated value in ochre, the corrected one in ink`}
      viewBox={`0 0 ${width} ${height}`}
      className="w-full"
    >
      <defs>
        <SagPattern />
      </defs>
      <MarksView marks={marks} />
      {sag && <rect {...sag} fill="url(#sag)" />}
    </svg>
  );
}
