import { formatQuantity, type Unit } from '@usual-drag/core/quantity';
import type { SampleSummary, WorstCase } from '@usual-drag/core/uncertainty';
import { Bar, BarChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';

interface Props {
  readonly samples: SampleSummary;
  readonly worst: WorstCase;
  readonly nominal: number | null;
  readonly unit: Unit;
  /** Whether the value is indicated (ochre) or true (ink). */
  readonly indicated: boolean;
}

/** Histogram of a result between its worst cases. */
export function Histogram({ samples, worst, nominal, unit, indicated }: Props) {
  const { bins, minimum, maximum } = samples;
  const width = (maximum - minimum) / bins.length;
  const rows = bins.map((count, k) => ({ at: minimum + (k + 0.5) * width, count }));
  const print = (value: number): string => formatQuantity(value, unit, { digits: 4, trim: true });
  return (
    <div className="h-full max-h-56 min-h-36" role="img" aria-label="Histogram of the samples">
      <ResponsiveContainer>
        <BarChart data={rows} barCategoryGap={1} margin={{ left: 24, right: 24, top: 6, bottom: 0 }}>
          <XAxis
            dataKey="at"
            type="number"
            domain={[worst.minimum, worst.maximum]}
            tickFormatter={print}
            ticks={[worst.minimum, ...(nominal === null ? [] : [nominal]), worst.maximum]}
            interval={0}
            stroke="var(--soft)"
            fontSize={12}
          />
          <YAxis hide />
          <Tooltip
            cursor={false}
            formatter={(count) => [Number(count), 'samples']}
            labelFormatter={(at) => `about ${print(Number(at))}`}
            contentStyle={{ background: 'var(--sheet)', border: '1px solid var(--line)', color: 'var(--ink)' }}
          />
          <Bar dataKey="count" fill={indicated ? 'var(--ochre-line)' : 'var(--ink)'} isAnimationActive={false} />
          {[samples.low, samples.high].map((x) => (
            <ReferenceLine key={x} x={x} stroke="var(--soft)" strokeDasharray="4 4" />
          ))}
          {nominal !== null && <ReferenceLine x={nominal} stroke="var(--node-1)" strokeWidth={2} />}
        </BarChart>
      </ResponsiveContainer>
    </div>
  );
}
