import {
  correctIndication,
  requiredResistance,
  formatPercent,
  formatQuantity,
  parsePercent,
  parseQuantity,
  type Uncertainties,
  type Instrument,
  type Meter,
  type Range,
  unitOf,
} from '@usual-drag/core';
import { Suspense, useState } from 'react';
import { FromReadings } from '../../correction/from-readings.tsx';
import { fetchedLater } from '../../ui/fetched-later.ts';
import { ValueField } from '../../ui/value-field.tsx';
import type { RangeOptions } from './range-options.ts';

const ErrorChart = fetchedLater(async () => (await import('./error-chart.tsx')).ErrorChart);

interface Props {
  readonly meter: Meter;
  readonly instrument: Instrument;
  readonly range: Range;
  readonly rangeOptions: RangeOptions;
  /** What the instrument is predicted to show, V or A. */
  readonly indicated: number | null;
  readonly kit: readonly Instrument[];
}

/** What to believe: the true value worked back from what was read, and the meter that would be enough. */
export function CorrectAndRequire({ meter, instrument, range, rangeOptions, indicated, kit }: Props) {
  const across = meter.quantity === 'dc-voltage';
  const [error, setError] = useState(0.01);
  const [charted, setCharted] = useState(false);
  // Mounted when it is first opened; what is typed in it stays when it is closed.
  const [unknown, setUnknown] = useState(false);
  /** What was typed, by range: it stays while another range is set. */
  const [typed, setTyped] = useState<Readonly<Record<string, number>>>({});
  const { sourceResistance } = rangeOptions.point;
  const reading = typed[range.id] ?? indicated;
  if (sourceResistance === null || reading === null) return null;
  const enough = requiredResistance(sourceResistance, error, meter.quantity);
  return (
    <section aria-label={`What to believe of ${meter.id}`} className="flex flex-col gap-2">
      <CorrectedReading
        meter={meter}
        instrument={instrument}
        range={range}
        uncertainties={rangeOptions.uncertainties}
        sourceResistance={sourceResistance}
        reading={reading}
        onRead={(value) => setTyped({ ...typed, [range.id]: value })}
      />
      <div className="flex items-start gap-x-3">
        <ValueField
          label="Enough for"
          showLabel
          className="w-20 shrink-0"
          shown={formatPercent(error, { digits: 4, trim: true })}
          read={(text) => {
            const ratio = parsePercent(text);
            if (!ratio.ok || (ratio.value > 0 && ratio.value < 1)) return ratio;
            return { ok: false, fault: { message: 'Between 0 and 100 %.' } };
          }}
          onCommit={setError}
        />
        <p className="min-w-0 grow pt-1 text-[14px] leading-snug">
          a meter of at {across ? 'least' : 'most'}{' '}
          <b className="figures">{formatQuantity(enough, 'Ω', { digits: 3, trim: true })}</b>; this one has{' '}
          <span className="figures">{formatQuantity(range.resistance, 'Ω', { digits: 3, trim: true })}</span>. Rule of
          thumb: {across ? 'ten times' : 'a tenth of'} what it looks into for 9 %,{' '}
          {across ? 'a hundred times' : 'a hundredth'} for 1 %.{' '}
          <button type="button" aria-expanded={charted} className="underline" onClick={() => setCharted(!charted)}>
            {charted ? 'Put the chart away' : 'Chart'}
          </button>
        </p>
      </div>
      {charted && (
        <Suspense fallback={<p className="text-soft">Fetching the chart …</p>}>
          <ErrorChart sourceResistance={sourceResistance} quantity={meter.quantity} kit={kit} />
        </Suspense>
      )}
      <details onToggle={(event) => event.currentTarget.open && setUnknown(true)}>
        <summary className="text-[14px]">
          What it looks into is <b>not known</b>? Read it on two ranges.
        </summary>
        {unknown && (
          <div className="mt-2">
            <FromReadings quantity={meter.quantity} instrument={instrument} range={meter.range} />
          </div>
        )}
      </details>
    </section>
  );
}

interface ReadingProps {
  readonly meter: Meter;
  readonly instrument: Instrument;
  readonly range: Range;
  readonly uncertainties: Uncertainties;
  /** Ω that the meter looks into. */
  readonly sourceResistance: number;
  /** V or A. */
  readonly reading: number;
  readonly onRead: (reading: number) => void;
}

/** A reading of one range, typed or as predicted, and the true value behind it. */
function CorrectedReading({
  meter,
  instrument,
  range,
  uncertainties,
  sourceResistance,
  reading,
  onRead,
}: ReadingProps) {
  const unit = unitOf(meter.quantity);
  const corrected = correctIndication(instrument, range, meter.quantity, reading, sourceResistance, uncertainties);
  return (
    <div className="flex items-end gap-3 border-l-4 border-ink pl-3">
      <ValueField
        label="Read on it"
        showLabel
        className="w-28"
        shown={formatQuantity(reading, unit)}
        read={(text) => parseQuantity(text, unit)}
        onCommit={onRead}
      />
      <p>
        <span className="text-[14px] text-soft">Corrected</span>
        <br />
        <b data-testid="corrected" className="figures text-[20px]">
          {corrected
            ? `${formatQuantity(corrected.value, unit)} ± ${formatQuantity(corrected.uncertainty, unit, { digits: 2 })}`
            : 'nothing behind it to correct by'}
        </b>
      </p>
    </div>
  );
}
