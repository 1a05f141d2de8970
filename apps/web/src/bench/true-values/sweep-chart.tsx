import { chartAxis } from '@usual-drag/core/drawing';
import { formatQuantity, type Unit } from '@usual-drag/core/quantity';
import type { NamedOutput } from '@usual-drag/core/solver';
import {
  CartesianGrid,
  Legend,
  Line,
  LineChart,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';

interface Props {
  readonly label: string;
  readonly xName: string;
  readonly xUnit: Unit;
  readonly spread: 'even' | 'ratio';
  readonly results: readonly NamedOutput[];
  /** One value of each result at every x. */
  readonly rows: readonly { readonly x: number; readonly y: readonly (number | null)[] }[];
  /** Position of the slider; null if the chart is not over what it varies. */
  readonly at: number | null;
}

const inks = ['var(--ink)', 'var(--node-1)', 'var(--node-3)', 'var(--node-2)'];
const dashes = [undefined, '8 4', '2 4', '10 3 2 3'];

/** Followed results over a turned quantity; the first unit has its axis at the left, the second at the right. */
export function SweepChart({ label, xName, xUnit, spread, results, rows, at }: Props) {
  const units = [...new Set(results.map(({ unit }) => unit))];
  const xs = rows.map(({ x }) => x);
  const across = chartAxis(Math.min(...xs), Math.max(...xs), xUnit, spread);
  const upOf = (unit: Unit) => {
    const values = rows.flatMap(({ y }) =>
      results.flatMap((one, index) => (one.unit === unit ? (y[index] ?? []) : [])),
    );
    return chartAxis(Math.min(...values), Math.max(...values), unit);
  };
  return (
    <div className="h-80 shrink-0" role="img" aria-label={label}>
      <ResponsiveContainer>
        <LineChart data={[...rows]} margin={{ left: 16, right: 16, top: 8, bottom: 24 }}>
          <CartesianGrid stroke="var(--line)" {...(units[0] && { yAxisId: units[0] })} />
          <XAxis
            dataKey="x"
            type="number"
            scale={spread === 'ratio' ? 'log' : 'linear'}
            domain={['dataMin', 'dataMax']}
            ticks={[...across.ticks]}
            tickFormatter={across.text}
            stroke="var(--soft)"
            fontSize={13}
            label={{ value: `${xName}, ${across.unit}`, position: 'insideBottom', offset: -14, fill: 'var(--soft)' }}
          />
          {units.map((unit, index) => {
            const up = upOf(unit);
            return (
              <YAxis
                key={unit}
                yAxisId={unit}
                orientation={index === 0 ? 'left' : 'right'}
                type="number"
                domain={['dataMin', 'dataMax']}
                width={76}
                ticks={[...up.ticks]}
                tickFormatter={up.text}
                stroke="var(--soft)"
                fontSize={13}
                label={{
                  value: up.unit,
                  position: index === 0 ? 'insideTopLeft' : 'insideTopRight',
                  fill: 'var(--soft)',
                  fontSize: 13,
                }}
              />
            );
          })}
          <Tooltip
            formatter={(y, name) => [
              formatQuantity(Number(y), results.find((result) => result.name === name)?.unit ?? 'V'),
              name,
            ]}
            labelFormatter={(x) => formatQuantity(Number(x), xUnit)}
            contentStyle={{ background: 'var(--sheet)', border: '1px solid var(--line)', color: 'var(--ink)' }}
          />
          {results.length > 1 && <Legend verticalAlign="top" height={28} />}
          {at !== null && <ReferenceLine x={at} yAxisId={units[0]} stroke="var(--ochre-line)" strokeDasharray="4 4" />}
          {results.map(({ name, unit }, index) => (
            <Line
              key={name}
              name={name}
              yAxisId={unit}
              dataKey={(row: { y: readonly (number | null)[] }) => row.y[index]}
              stroke={inks[index]}
              strokeDasharray={dashes[index]}
              strokeWidth={2.5}
              dot={false}
              isAnimationActive={false}
            />
          ))}
        </LineChart>
      </ResponsiveContainer>
    </div>
  );
}
