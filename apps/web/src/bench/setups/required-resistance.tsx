import { formatPercent, parsePercent, ohms } from '@usual-drag/core/quantity';
import type { Instrument, Range } from '@usual-drag/core/instrument';
import {
  infiniteSourceSentence,
  requiredResistance,
  type MeasurementPoint,
  type Meter,
  type MeterReading,
} from '@usual-drag/core/loading';
import { useState } from 'react';
import { fetchedLater } from '../../ui/fetched-later.ts';
import { Panel } from '../../ui/panel.tsx';
import { ValueField } from '../../ui/value-field.tsx';

const ErrorChart = fetchedLater(async () => (await import('./error-chart.tsx')).ErrorChart);

interface Props {
  readonly meter: Meter;
  readonly range: Range;
  readonly point: MeasurementPoint | null;
  readonly reading: MeterReading | null;
  readonly kit: readonly Instrument[];
}

/** The meter resistance that keeps the error below a limit, and the ranges of the kit on the curve of error against resistance. */
export function RequiredResistance({ meter, range, point, reading, kit }: Props) {
  const [error, setError] = useState(0.01);
  const source = point?.sourceResistance ?? null;
  const across = meter.quantity === 'dc-voltage';
  if (source === null)
    return (
      <p className="text-[14px]">
        {reading ? infiniteSourceSentence(reading) : 'Nothing determines a value at these leads.'} No required
        resistance follows.
      </p>
    );
  return (
    <div className="flex flex-col gap-2">
      <div className="flex items-start gap-x-3">
        <ValueField
          label="Error limit"
          showLabel
          className="w-24 shrink-0"
          shown={formatPercent(error, { digits: 4, trim: true })}
          read={(text) => {
            const ratio = parsePercent(text);
            if (!ratio.ok || (ratio.value > 0 && ratio.value < 1)) return ratio;
            return { ok: false, fault: { message: 'Between 0 and 100 %.' } };
          }}
          onCommit={setError}
        />
        <p className="min-w-0 grow pt-1 text-[14px] leading-snug">
          {across ? 'Input resistance: at least' : 'Meter resistance: at most'}{' '}
          <b className="figures">{ohms(requiredResistance(source, error, meter.quantity), 3)}</b>. This range has{' '}
          <span className="figures">{ohms(range.resistance, 3)}</span>. Rule of thumb: {across ? '10 ×' : '1/10'} the
          source resistance for 9 %, {across ? '100 ×' : '1/100'} for 1 %.
        </p>
      </div>
      <Panel name="The chart">
        <ErrorChart sourceResistance={source} quantity={meter.quantity} kit={kit} />
      </Panel>
    </div>
  );
}
