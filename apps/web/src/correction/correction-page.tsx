import { fail } from '@usual-drag/core/result';
import {
  formatMeasured,
  formatPercent,
  formatQuantity,
  parsePercent,
  parseQuantity,
  ohms,
} from '@usual-drag/core/quantity';
import {
  findRange,
  ownErrorAt,
  rangesOf,
  type Instrument,
  type MeterQuantity,
  type Range,
  unitOf,
} from '@usual-drag/core/instrument';
import { cannotCorrectWords, correctDisplay, correctionFromSource, loadingShare } from '@usual-drag/core/loading';
import { useQuery } from '@tanstack/react-query';
import { sourceQuestion } from '@usual-drag/core/readings';
import { useMemo, useState } from 'react';
import { BudgetButton } from '../budget/budget-button.tsx';
import { kitQuery } from '../api/lists.ts';
import { Choice } from '../ui/choice.tsx';
import { Segments } from '../ui/segments.tsx';
import { ValueField } from '../ui/value-field.tsx';
import { FromReadings } from './from-readings.tsx';
import { OwnErrorLine } from './own-error-line.tsx';

/** A true value worked back from readings, without a network. */
export function CorrectionPage() {
  const { data: kit = [] } = useQuery(kitQuery);
  const [quantity, setQuantity] = useState<MeterQuantity>('dc-voltage');
  const [chosen, setChosen] = useState({ instrument: '', range: '' });
  const fitting = kit.filter((instrument) => rangesOf(instrument, quantity).length > 0);
  const instrument = fitting.find(({ id }) => id === chosen.instrument) ?? fitting[0];
  if (!instrument) return <p className="p-8 text-soft">Fetching the kit …</p>;
  const ranges = rangesOf(instrument, quantity);
  const range = findRange(instrument, quantity, chosen.range) ?? ranges[ranges.length >> 1]!;
  const key = `${quantity} ${instrument.id} ${range.id}`;
  return (
    <main className="relative h-full overflow-y-auto">
      <div className="mx-auto flex max-w-4xl flex-col gap-5 px-6 py-8">
        <h1 className="text-[26px] font-bold">Correct a reading</h1>
        <div className="flex flex-wrap items-end gap-3">
          <Segments
            label="Quantity"
            value={quantity}
            options={[
              { value: 'dc-voltage', text: 'volts, across' },
              { value: 'dc-current', text: 'current, in series' },
            ]}
            onChange={setQuantity}
          />
          <Choice
            label="Instrument"
            className="w-80"
            value={instrument.id}
            options={fitting.map(({ id, name }) => ({ value: id, text: name ?? id }))}
            onChange={(id) => setChosen({ instrument: id, range: '' })}
          />
          <Choice
            label="Range"
            className="w-32"
            value={range.id}
            options={ranges.map(({ id }) => ({ value: id, text: id }))}
            onChange={(id) => setChosen({ instrument: instrument.id, range: id })}
          />
          <p className="figures pb-1.5 text-[14px] text-soft">
            {formatQuantity(range.resistance, 'Ω', { digits: 4, trim: true })} on this range
          </p>
        </div>
        <div className="grid gap-5 lg:grid-cols-2">
          <section aria-label="Known" className="flex flex-col gap-3 rounded-xl border border-line bg-sheet p-4">
            <h2 className="text-[17px] font-bold">Source resistance known</h2>
            <KnownSource key={key} quantity={quantity} instrument={instrument} range={range} />
          </section>
          <section aria-label="Not known" className="flex flex-col gap-3 rounded-xl border border-line bg-sheet p-4">
            <h2 className="text-[17px] font-bold">Source resistance unknown: read on two ranges</h2>
            <FromReadings key={key} quantity={quantity} instrument={instrument} range={range.id} />
            <p className="text-[14px] text-soft">
              On ranges of different resistance, or on one range with a known resistor at the meter. De-energise the
              circuit before you open it.
            </p>
          </section>
        </div>
      </div>
    </main>
  );
}

interface KnownProps {
  readonly quantity: MeterQuantity;
  readonly instrument: Instrument;
  readonly range: Range;
}

function KnownSource({ quantity, instrument, range }: KnownProps) {
  const unit = unitOf(quantity);
  const [read, setRead] = useState<number | null>(null);
  const [source, setSource] = useState<number | null>(null);
  const [spread, setSpread] = useState(0.05);
  const result =
    read === null || source === null
      ? null
      : correctDisplay(instrument, range, read, correctionFromSource(quantity, source, spread));
  const question = useMemo(
    () =>
      read === null || source === null ? null : sourceQuestion(quantity, source, spread, instrument, range.id, read),
    [read, source, spread, quantity, instrument, range.id],
  );
  const ownError = read === null ? 0 : ownErrorAt(range.calibration, read);
  return (
    <>
      <div className="flex flex-wrap items-start gap-3">
        <ValueField
          label="Read"
          showLabel
          className="w-28"
          placeholder={unit}
          shown={read === null ? '' : formatQuantity(read, unit, { digits: 6, trim: true })}
          read={(text) => parseQuantity(text, unit)}
          onCommit={setRead}
        />
        <ValueField
          label="Source resistance"
          showLabel
          className="w-28"
          placeholder="Ω"
          shown={source === null ? '' : formatQuantity(source, 'Ω', { digits: 6, trim: true })}
          read={(text) => {
            const ohm = parseQuantity(text, 'Ω');
            return ohm.ok && ohm.value < 0 ? fail({ message: 'Not below zero.' }) : ohm;
          }}
          onCommit={setSource}
        />
        <ValueField
          label="known to ±"
          showLabel
          className="w-24"
          shown={formatPercent(spread, { digits: 3, trim: true })}
          read={parsePercent}
          onCommit={setSpread}
        />
      </div>
      {range.calibration && read !== null && (
        <OwnErrorLine calibration={range.calibration} unit={unit} reading={read} ownError={ownError} />
      )}
      {result && read !== null && source !== null && (
        <p className="border-l-4 border-ink pl-3">
          <b data-testid="corrected" className="figures text-[20px]">
            {result.ok ? formatMeasured(result.value.value, result.value.uncertainty, unit) : 'cannot be corrected'}
          </b>{' '}
          {result.ok && question && <BudgetButton of={question} unit={unit} name="the corrected value" />}
          {!result.ok && <> {cannotCorrectWords[result.fault]}</>}
          <br />
          <span className="figures text-[14px] text-soft">
            {formatQuantity(read - ownError, unit)} × (1 +{' '}
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
