import {
  correctFromRanges,
  findRange,
  formatQuantity,
  parseQuantity,
  rangesOf,
  readingDoubt,
  type Instrument,
  type Meter,
} from '@usual-drag/core';
import { Plus } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { Choice } from '../../ui/choice.tsx';
import { ValueField } from '../../ui/value-field.tsx';

const CorrectionChart = lazy(() => import('./correction-chart.tsx'));

interface Entry {
  readonly range: string;
  readonly indicated: number | null;
}

/** The true value from readings on several ranges, what they look into not known: two solve it, more are fitted. */
export function UnknownSource({ meter, instrument }: { readonly meter: Meter; readonly instrument: Instrument }) {
  const unit = meter.quantity === 'dc-voltage' ? 'V' : 'A';
  const ranges = rangesOf(instrument, meter.quantity);
  const at = Math.max(
    0,
    ranges.findIndex(({ id }) => id === meter.range),
  );
  const beside = ranges[at + 1] ?? ranges[at - 1] ?? ranges[at]!;
  const [entries, setEntries] = useState<readonly Entry[]>([
    { range: meter.range, indicated: null },
    { range: beside.id, indicated: null },
  ]);
  const put = (index: number, change: Partial<Entry>): void =>
    setEntries(entries.map((entry, i) => (i === index ? { ...entry, ...change } : entry)));
  const readings = entries.flatMap(({ range: id, indicated }) => {
    const range = findRange(instrument, meter.quantity, id);
    if (!range || indicated === null) return [];
    const { accuracy, resolution } = readingDoubt(instrument, range, indicated);
    return [{ indicated, doubt: accuracy + resolution, meterResistance: range.resistance }];
  });
  const found = readings.length >= 2 ? correctFromRanges(readings, meter.quantity) : null;
  const ohms = (value: number): string => formatQuantity(value, 'Ω', { digits: 3 });
  return (
    <details>
      <summary className="text-[14px]">
        What it looks into is <b>not known</b>? Read it on two ranges.
      </summary>
      <div className="mt-2 flex flex-col gap-2">
        {entries.map((entry, index) => (
          <div key={index} className="flex items-end gap-2">
            <Choice
              label={`Range of reading ${index + 1}`}
              className="w-32"
              value={entry.range}
              options={ranges.map(({ id }) => ({ value: id, text: id }))}
              onChange={(range) => put(index, { range })}
            />
            <ValueField
              label={`Reading ${index + 1}`}
              className="w-32 [&_input]:border-line"
              shown={entry.indicated === null ? '' : formatQuantity(entry.indicated, unit, { digits: 6, trim: true })}
              placeholder={`read in ${unit}`}
              read={(text) => parseQuantity(text, unit)}
              onCommit={(indicated) => put(index, { indicated })}
            />
            {index === entries.length - 1 && (
              <Button tone="quiet" onClick={() => setEntries([...entries, { range: meter.range, indicated: null }])}>
                <Plus aria-hidden size={16} /> one more
              </Button>
            )}
          </div>
        ))}
        {found && !found.ok && (
          <p role="alert" className="text-[14px] text-fault">
            {found.fault.message}
          </p>
        )}
        {found?.ok && (
          <>
            <p className="border-l-4 border-ink pl-3">
              <b data-testid="from-ranges" className="figures text-[18px]">
                {formatQuantity(found.value.truth, unit)} ±{' '}
                {formatQuantity(found.value.truthUncertainty, unit, { digits: 2 })}
              </b>
              <br />
              <span className="text-[14px] text-soft">
                k = 2; it looks into {ohms(found.value.sourceResistance)} ± {ohms(found.value.sourceUncertainty)}
                {readings.length > 2 &&
                  `; no reading is further than ${(found.value.worst * 100).toPrecision(2)} % from the line`}
                .
              </span>
            </p>
            <Suspense fallback={<p className="text-soft">Fetching the chart …</p>}>
              <CorrectionChart readings={readings} quantity={meter.quantity} line={found.value.line} />
            </Suspense>
          </>
        )}
      </div>
    </details>
  );
}
