import type { MeterQuantity, RangeReading } from '@usual-drag/core';
import { CartesianGrid, Line, LineChart, ReferenceDot, ResponsiveContainer, XAxis, YAxis } from 'recharts';

interface Props {
  readonly readings: readonly RangeReading[];
  readonly quantity: MeterQuantity;
  readonly line: { readonly slope: number; readonly intercept: number };
}

/** The readings on their straight line; where it meets the axis at the left, no meter would be in. */
export default function CorrectionChart({ readings, quantity, line }: Props) {
  const across = quantity === 'dc-voltage';
  const x = (resistance: number): number => (across ? 1 / resistance : resistance);
  const end = 1.1 * Math.max(...readings.map(({ meterResistance }) => x(meterResistance)));
  const rows = [0, end].map((at) => ({ x: at, y: line.intercept + line.slope * at }));
  const short = (value: number): string => (value === 0 ? '0' : value.toExponential(1));
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
            tickFormatter={short}
            stroke="var(--soft)"
            fontSize={12}
            label={{
              value: across ? '1 / meter resistance, S' : 'meter resistance, Ω',
              position: 'insideBottom',
              offset: -10,
              fill: 'var(--soft)',
              fontSize: 12,
            }}
          />
          <YAxis width={64} domain={[0, 'auto']} tickFormatter={short} stroke="var(--soft)" fontSize={12} />
          <Line dataKey="y" stroke="var(--ink)" strokeWidth={2} dot={false} isAnimationActive={false} />
          <ReferenceDot x={0} y={line.intercept} r={6} fill="var(--ink)" stroke="var(--sheet)" />
          {readings.map(({ meterResistance, indicated }, index) => (
            <ReferenceDot
              key={index}
              x={x(meterResistance)}
              y={1 / indicated}
              r={5}
              fill="var(--ochre-line)"
              stroke="var(--sheet)"
            />
          ))}
        </LineChart>
      </ResponsiveContainer>
    </div>
  );
}
