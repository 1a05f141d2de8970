import { formatQuantity, type SampleSummary, type Unit, type WorstCase } from '@usual-drag/core';
import { Bar, BarChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';

interface Props {
  readonly samples: SampleSummary;
  readonly worst: WorstCase;
  readonly nominal: number | null;
  readonly unit: Unit;
  /** What a meter shows is drawn in ochre, what is true in ink. */
  readonly indicated: boolean;
}

/** How often each stretch of a result was drawn, between the worst cases. */
export function Histogram({ samples, worst, nominal, unit, indicated }: Props) {
  const { bins, least, most } = samples;
  const width = (most - least) / bins.length;
  const rows = bins.map((count, k) => ({ at: least + (k + 0.5) * width, count }));
  const print = (value: number): string => formatQuantity(value, unit, { digits: 4, trim: true });
  return (
    <div className="h-full max-h-56 min-h-36" role="img" aria-label="How often each value was drawn">
      <ResponsiveContainer>
        <BarChart data={rows} barCategoryGap={1} margin={{ left: 24, right: 24, top: 6, bottom: 0 }}>
          <XAxis
            dataKey="at"
            type="number"
            domain={[worst.least, worst.most]}
            tickFormatter={print}
            ticks={[worst.least, ...(nominal === null ? [] : [nominal]), worst.most]}
            interval={0}
            stroke="var(--soft)"
            fontSize={12}
          />
          <YAxis hide />
          <Tooltip
            cursor={false}
            formatter={(count) => [Number(count), 'draws']}
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
