import { formatQuantity } from '@usual-drag/core/quantity';
import { findRange, rangesOf } from '@usual-drag/core/instrument';
import { useQuery } from '@tanstack/react-query';
import { kitQuery } from '../api/lists.ts';
import { Choice } from '../ui/choice.tsx';
import { Segments } from '../ui/segments.tsx';
import { FromReadings } from './from-readings.tsx';
import { KnownSource } from './known-source.tsx';
import { useLastCorrection } from './last-correction.ts';

/** A true value worked back from readings, without a network. */
export function CorrectionPage() {
  const { data: kit = [] } = useQuery(kitQuery);
  const { quantity, instrument: lastInstrument, range: lastRange } = useLastCorrection();
  const put = useLastCorrection.setState;
  const fitting = kit.filter((instrument) => rangesOf(instrument, quantity).length > 0);
  const instrument = fitting.find(({ id }) => id === lastInstrument) ?? fitting[0];
  if (!instrument) return <p className="p-8 text-soft">Fetching the kit …</p>;
  const ranges = rangesOf(instrument, quantity);
  const range = findRange(instrument, quantity, lastRange) ?? ranges[ranges.length >> 1]!;
  const key = `${quantity} ${instrument.id} ${range.id}`;
  return (
    <main className="relative h-full overflow-y-auto">
      <div className="mx-auto flex max-w-4xl flex-col gap-5 px-4 py-6 sm:px-6 sm:py-8">
        <h1 className="text-[26px] font-bold">Correct a reading</h1>
        <div className="flex flex-wrap items-end gap-3">
          <Segments
            label="Quantity"
            value={quantity}
            options={[
              { value: 'dc-voltage', text: 'volts, across' },
              { value: 'dc-current', text: 'current, in series' },
            ]}
            onChange={(next) => put({ quantity: next, range: '', read: null })}
          />
          <Choice
            label="Instrument"
            className="w-80 max-w-full"
            value={instrument.id}
            options={fitting.map(({ id, name }) => ({ value: id, text: name ?? id }))}
            onChange={(id) => put({ instrument: id, range: '' })}
          />
          <Choice
            label="Range"
            className="w-32"
            value={range.id}
            options={ranges.map(({ id }) => ({ value: id, text: id }))}
            onChange={(id) => put({ instrument: instrument.id, range: id })}
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
