import { chartAxis, type ChartAxis } from '@usual-drag/core/drawing';
import type { Unit } from '@usual-drag/core/quantity';
import type { MeterQuantity } from '@usual-drag/core/instrument';
import type { RangeReading } from '@usual-drag/core/uncertainty';
import { CartesianGrid, Line, LineChart, ReferenceDot, ResponsiveContainer, XAxis, YAxis } from 'recharts';

interface Props {
  readonly readings: readonly RangeReading[];
  readonly quantity: MeterQuantity;
  readonly line: { readonly slope: number; readonly intercept: number };
}

/** The readings on their straight line; where it meets the axis at the left, no meter would be in. */
export function CorrectionChart({ readings, quantity, line }: Props) {
  const across = quantity === 'dc-voltage';
  const x = (resistance: number): number => (across ? 1 / resistance : resistance);
  const end = 1.1 * Math.max(...readings.map(({ meterResistance }) => x(meterResistance)));
  const rows = [0, end].map((at) => ({ x: at, y: line.intercept + line.slope * at }));
  const points = readings.map(({ meterResistance, indicated }) => ({ x: x(meterResistance), y: 1 / indicated }));
  const top = Math.max(...[...rows, ...points].map(({ y }) => y));
  const [along, up] = [across ? reciprocalTicks(end, 'Ω') : null, reciprocalTicks(top, across ? 'V' : 'A')];
  const plain = chartAxis(0, end, 'Ω');
  return (
    <div
      className="h-48"
      role="img"
      aria-label={
        across ? 'One over reading, over one over meter resistance' : 'One over reading, over meter resistance'
      }
    >
      <ResponsiveContainer>
        <LineChart data={rows} margin={{ left: 4, right: 12, top: 8, bottom: 18 }}>
          <CartesianGrid stroke="var(--line)" />
          <XAxis
            dataKey="x"
            type="number"
            domain={[0, end]}
            ticks={[...(along ?? plain).ticks]}
            tickFormatter={(along ?? plain).text}
            stroke="var(--soft)"
            fontSize={12}
            label={{
              value: across ? 'meter resistance, Ω, plotted as one over it' : `meter resistance, ${plain.unit}`,
              position: 'insideBottom',
              offset: -10,
              fill: 'var(--soft)',
              fontSize: 12,
            }}
          />
          <YAxis
            width={72}
            domain={[0, top]}
            ticks={[...up.ticks]}
            tickFormatter={up.text}
            stroke="var(--soft)"
            fontSize={12}
            label={{
              value: `reading, ${across ? 'V' : 'A'}, as one over it`,
              angle: -90,
              position: 'insideLeft',
              fill: 'var(--soft)',
              fontSize: 12,
              style: { textAnchor: 'middle' },
            }}
          />
          <Line dataKey="y" stroke="var(--ink)" strokeWidth={2} dot={false} isAnimationActive={false} />
          <ReferenceDot x={0} y={line.intercept} r={6} fill="var(--ink)" stroke="var(--sheet)" />
          {points.map((point, index) => (
            <ReferenceDot key={index} {...point} r={5} fill="var(--ochre-line)" stroke="var(--sheet)" />
          ))}
        </LineChart>
      </ResponsiveContainer>
    </div>
  );
}

/** Returns the ticks of an axis of reciprocals at round values, infinity among them. */
function reciprocalTicks(end: number, unit: Unit): Pick<ChartAxis, 'ticks' | 'text'> {
  const { ticks, text } = chartAxis(1 / end, 11 / end, unit, 'ratio');
  return { ticks: [0, ...ticks.map((value) => 1 / value).reverse()], text: (at) => (at === 0 ? '∞' : text(1 / at)) };
}
