import { fail } from '@usual-drag/core/result';
import { formatMeasured, formatQuantity, parseQuantity } from '@usual-drag/core/quantity';
import { findRange, rangesOf, type Instrument, type MeterQuantity, unitOf } from '@usual-drag/core/instrument';
import { cannotCorrectWords, stateOn } from '@usual-drag/core/loading';
import {
  correctFromRanges,
  rangeReading,
  withKnownResistor,
  type KnownResistor,
  type NamedRangeReading,
  type RangeCorrection,
} from '@usual-drag/core/uncertainty';
import { Plus } from 'lucide-react';
import { Suspense, useState } from 'react';
import { BudgetButton } from '../budget/budget-button.tsx';
import { Button } from '../ui/button.tsx';
import { Choice } from '../ui/choice.tsx';
import { fetchedLater } from '../ui/fetched-later.ts';
import { ValueField } from '../ui/value-field.tsx';

const CorrectionChart = fetchedLater(async () => (await import('./correction-chart.tsx')).CorrectionChart);

interface Entry {
  readonly range: string;
  readonly indicated: number | null;
  /** Known resistor that was connected to the meter for this reading. */
  readonly known: { readonly placed: KnownResistor['placed']; readonly resistance: number | null } | null;
}

interface Props {
  readonly quantity: MeterQuantity;
  readonly instrument: Instrument;
  /** The range of the first reading. */
  readonly range: string;
}

/**
 * The true value from several readings, what they look into not known: two solve it, more are fitted. They differ by their
 * range, or by a known resistor at the meter.
 */
export function FromReadings({ quantity, instrument, range }: Props) {
  const unit = unitOf(quantity);
  const ranges = rangesOf(instrument, quantity);
  const at = Math.max(
    0,
    ranges.findIndex(({ id }) => id === range),
  );
  const beside = ranges[at + 1] ?? ranges[at - 1] ?? ranges[at]!;
  const [entries, setEntries] = useState<readonly Entry[]>([
    { range, indicated: null, known: null },
    { range: beside.id, indicated: null, known: null },
  ]);
  const put = (index: number, change: Partial<Entry>): void =>
    setEntries(entries.map((entry, i) => (i === index ? { ...entry, ...change } : entry)));
  const faultOf = ({ range: id, indicated }: Entry): string | null => {
    const found = findRange(instrument, quantity, id);
    const state = found && indicated !== null ? stateOn(instrument, found, indicated) : 'ok';
    return state === 'ok' ? null : cannotCorrectWords[state];
  };
  const readings = entries.flatMap(({ range: id, indicated, known }): readonly NamedRangeReading[] => {
    const found = findRange(instrument, quantity, id);
    if (!found || indicated === null || known?.resistance === null) return [];
    const reading = rangeReading(instrument, found, indicated);
    if (!reading) return [];
    const name = known ? `${id} with ${formatQuantity(known.resistance, 'Ω', { digits: 4, trim: true })}` : id;
    return [{ ...(known ? withKnownResistor(reading, known as KnownResistor, quantity) : reading), name }];
  });
  const found = readings.length >= 2 ? correctFromRanges(readings, quantity) : null;
  return (
    <div className="flex flex-col gap-2">
      {entries.map((entry, index) => (
        <div key={index} className="flex flex-wrap items-center gap-2">
          <Choice
            label={`Range of reading ${index + 1}`}
            className="w-26"
            value={entry.range}
            options={ranges.map(({ id }) => ({ value: id, text: id }))}
            onChange={(next) => put(index, { range: next })}
          />
          <ValueField
            label={`Reading ${index + 1}`}
            className="w-26 [&_input]:border-line"
            shown={entry.indicated === null ? '' : formatQuantity(entry.indicated, unit, { digits: 6, trim: true })}
            placeholder={`read in ${unit}`}
            read={(text) => parseQuantity(text, unit)}
            onCommit={(indicated) => put(index, { indicated })}
          />
          <Choice
            label={`At the meter for reading ${index + 1}`}
            className="w-36"
            value={entry.known?.placed ?? 'nothing'}
            options={[
              { value: 'nothing', text: 'meter alone' },
              { value: 'across', text: '+ R across' },
              { value: 'in-series', text: '+ R in series' },
            ]}
            onChange={(placed) =>
              put(index, {
                known: placed === 'nothing' ? null : { placed: placed, resistance: entry.known?.resistance ?? null },
              })
            }
          />
          {entry.known && (
            <ValueField
              label={`Known resistor of reading ${index + 1}`}
              className="w-24 [&_input]:border-line"
              shown={
                entry.known.resistance === null
                  ? ''
                  : formatQuantity(entry.known.resistance, 'Ω', { digits: 6, trim: true })
              }
              placeholder="Ω"
              read={(text) => {
                const ohm = parseQuantity(text, 'Ω');
                return ohm.ok && !(ohm.value > 0) ? fail({ message: 'Above zero.' }) : ohm;
              }}
              onCommit={(resistance) => put(index, { known: { ...entry.known!, resistance } })}
            />
          )}
          {faultOf(entry) !== null && (
            <p role="alert" className="basis-full text-[14px] text-fault">
              {faultOf(entry)}
            </p>
          )}
        </div>
      ))}
      <Button
        tone="quiet"
        className="self-start"
        onClick={() => setEntries([...entries, { range, indicated: null, known: null }])}
      >
        <Plus aria-hidden size={16} /> one more
      </Button>
      {found && !found.ok && (
        <p role="alert" className="text-[14px] text-fault">
          {found.fault.message}
        </p>
      )}
      {found?.ok && <FoundValue found={found.value} quantity={quantity} readings={readings} />}
    </div>
  );
}

interface FoundProps {
  readonly found: RangeCorrection;
  readonly quantity: MeterQuantity;
  readonly readings: readonly NamedRangeReading[];
}

/** The true value that was found, its budget, and the line that the readings lie on. */
function FoundValue({ found, quantity, readings }: FoundProps) {
  const unit = unitOf(quantity);
  return (
    <>
      <p className="border-l-4 border-ink pl-3">
        <b data-testid="from-ranges" className="figures text-[18px]">
          {formatMeasured(found.truth, found.truthUncertainty, unit)}
        </b>{' '}
        <BudgetButton of={{ of: 'ranges', quantity, readings }} unit={unit} name="the corrected value" />
        <br />
        <span className="text-[14px] text-soft">
          k = 2; source resistance {formatMeasured(found.sourceResistance, found.sourceUncertainty, 'Ω')}
          {readings.length > 2 && `; no reading is further than ${(found.worst * 100).toPrecision(2)} % from the line`}.
        </span>
      </p>
      <Suspense fallback={<p className="text-soft">Fetching the chart …</p>}>
        <CorrectionChart readings={readings} quantity={quantity} line={found.line} />
      </Suspense>
    </>
  );
}
