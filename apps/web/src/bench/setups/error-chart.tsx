import { chartAxis } from '@usual-drag/core/drawing';
import { formatPercent, formatQuantity } from '@usual-drag/core/quantity';
import { sweepValues } from '@usual-drag/core/solver';
import { rangesOf, type Instrument, type MeterQuantity } from '@usual-drag/core/instrument';
import { loadingShare } from '@usual-drag/core/loading';
import { CartesianGrid, Line, LineChart, ReferenceDot, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';

interface Props {
  readonly sourceResistance: number;
  readonly quantity: MeterQuantity;
  readonly kit: readonly Instrument[];
}

/** The loading error over the meter's resistance at one place, with the ranges of the kit on the curve. */
export function ErrorChart({ sourceResistance, quantity, kit }: Props) {
  const marks = kit.flatMap((instrument) =>
    rangesOf(instrument, quantity)
      .filter(({ resistance }) => resistance > 0)
      .map((range) => ({ name: `${instrument.name ?? instrument.id}, ${range.id}`, resistance: range.resistance })),
  );
  const all = [...marks.map(({ resistance }) => resistance), sourceResistance].filter((r) => r > 0);
  const share = (resistance: number): number => loadingShare(sourceResistance, resistance, quantity);
  const rows = sweepValues(Math.min(...all) / 2, Math.max(...all) * 2, 80, 'ratio').map((resistance) => ({
    resistance,
    share: share(resistance),
  }));
  const [low, high] = [rows[0]!.resistance, rows.at(-1)!.resistance];
  const across = chartAxis(low, high, 'Ω', 'ratio');
  const up = chartAxis(0, 100 * Math.max(...rows.map((row) => row.share)), '%');
  return (
    <div className="h-32 min-w-0 overflow-hidden" role="img" aria-label="Loading error over the meter's resistance">
      <ResponsiveContainer>
        <LineChart data={rows} margin={{ left: 4, right: 12, top: 8, bottom: 14 }}>
          <CartesianGrid stroke="var(--line)" />
          <XAxis
            dataKey="resistance"
            type="number"
            scale="log"
            domain={['dataMin', 'dataMax']}
            ticks={[...across.ticks]}
            tickFormatter={across.text}
            stroke="var(--soft)"
            fontSize={12}
            label={{ value: 'meter, Ω', position: 'insideBottomRight', offset: -8, fill: 'var(--soft)', fontSize: 12 }}
          />
          <YAxis
            width={44}
            domain={[0, 'dataMax']}
            ticks={up.ticks.map((percent) => percent / 100)}
            tickFormatter={(ratio: number) => up.text(100 * ratio)}
            label={{ value: '%', position: 'insideTopLeft', fill: 'var(--soft)', fontSize: 12 }}
            stroke="var(--soft)"
            fontSize={12}
          />
          <Tooltip
            formatter={(s) => [`−${formatPercent(Number(s))}`, 'loading error']}
            labelFormatter={(r) => `meter of ${formatQuantity(Number(r), 'Ω', { digits: 3, trim: true })}`}
            contentStyle={{ background: 'var(--sheet)', border: '1px solid var(--line)', color: 'var(--ink)' }}
          />
          <Line dataKey="share" stroke="var(--ink)" strokeWidth={2.5} dot={false} isAnimationActive={false} />
          {marks.map(({ name, resistance }) => (
            <ReferenceDot
              key={name}
              x={resistance}
              y={share(resistance)}
              r={5}
              fill="var(--ochre-line)"
              stroke="var(--sheet)"
              label={undefined}
            />
          ))}
        </LineChart>
      </ResponsiveContainer>
    </div>
  );
}
