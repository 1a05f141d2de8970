import { formatPercent, formatQuantity, type Unit } from '@usual-drag/core/quantity';
import type { ToleranceStudy } from '../../workers/tolerance.ts';
import { FiguresTable } from '../../ui/figures-table.tsx';

interface Props {
  readonly study: ToleranceStudy;
  readonly nominal: number | null;
  readonly unit: Unit;
}

/** Figures of a study: nominal, worst cases, and statistics of the draws. */
export function Figures({ study, nominal, unit }: Props) {
  const { worst, samples } = study;
  const off = (value: number): string =>
    nominal ? formatPercent((value - nominal) / Math.abs(nominal), { signed: true, digits: 3 }) : '';
  const row = (key: string, value: number, share = off(value)) => ({
    key,
    cells: [key, formatQuantity(value, unit, { digits: 4 }), share],
  });
  return (
    <div className="[&_table]:text-[13px] [&_th]:whitespace-nowrap">
      <FiguresTable
        label="Tolerance in figures"
        head={['figure', 'value', 'deviation']}
        rows={[
          ...(nominal === null ? [] : [row('nominal', nominal, '')]),
          row('minimum', worst.minimum),
          row('maximum', worst.maximum),
          row('2.5 %', samples.low),
          row('97.5 %', samples.high),
          row('mean', samples.mean),
          row(
            'std. dev.',
            samples.deviation,
            nominal ? formatPercent(samples.deviation / Math.abs(nominal), { digits: 3 }) : '',
          ),
        ]}
      />
      <p className="mt-1 text-[13px] text-soft">
        {worst.everyCorner
          ? `Minimum and maximum: all ${grouped(2 ** study.parts.length)} corners.`
          : `Minimum and maximum: ${study.parts.length} parts, so corners were searched, not all tried.`}{' '}
        {grouped(samples.count)} samples: {formatQuantity(samples.minimum, unit, { digits: 4 })} to{' '}
        {formatQuantity(samples.maximum, unit, { digits: 4 })}.
      </p>
    </div>
  );
}

const grouped = (count: number): string => String(count).replace(/\B(?=(\d{3})+$)/g, '\u2009');
