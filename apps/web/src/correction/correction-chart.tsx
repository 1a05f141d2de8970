import { formatQuantity, type Unit } from '@usual-drag/core/quantity';
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
            tickFormatter={(at: number) => (across ? behind(at, 'Ω') : formatQuantity(at, 'Ω', plain))}
            stroke="var(--soft)"
            fontSize={12}
            label={{
              value: across ? 'meter resistance, plotted as one over it' : 'meter resistance',
              position: 'insideBottom',
              offset: -10,
              fill: 'var(--soft)',
              fontSize: 12,
            }}
          />
          <YAxis
            width={72}
            domain={[0, 'auto']}
            tickFormatter={(at: number) => behind(at, across ? 'V' : 'A')}
            stroke="var(--soft)"
            fontSize={12}
            label={{
              value: 'reading, as one over it',
              angle: -90,
              position: 'insideLeft',
              fill: 'var(--soft)',
              fontSize: 12,
              style: { textAnchor: 'middle' },
            }}
          />
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

const plain = { digits: 3, trim: true };

/** Returns the label of a tick on an axis of reciprocals. */
const behind = (at: number, unit: Unit): string => (at === 0 ? '∞' : formatQuantity(1 / at, unit, plain));
