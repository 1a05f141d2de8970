import { formatQuantity, type Unit } from '@usual-drag/core/quantity';
import type { ComparedReading } from '@usual-drag/core/readings';

interface Props {
  readonly figures: Pick<ComparedReading, 'true' | 'expected' | 'low' | 'high' | 'uncertainty' | 'value'>;
  readonly unit: Unit;
}

const width = 400;

/**
 * Expectation as a bar: the band of the parts' tolerances, the instrument's uncertainty about the expectation, the true
 * value as a dark mark, and the reading on it.
 */
export function ExpectationBar({ figures, unit }: Props) {
  const { true: truth, expected, low, high, value } = figures;
  if (expected === null || truth === null || low === null || high === null) return null;
  const u = figures.uncertainty ?? 0;
  const marks = [truth, expected - u, expected + u, low - u, high + u, ...(value === null ? [] : [value])];
  const [least, most] = [Math.min(...marks), Math.max(...marks)];
  const margin = (most - least || Math.abs(expected) || 1) * 0.08;
  const x = (at: number): number => ((at - least + margin) / (most - least + 2 * margin)) * width;
  const told = (at: number): string => formatQuantity(at, unit, { digits: 4 });
  const label = `Expected ${told(expected)}, true ${told(truth)}, tolerance ${told(low)} to ${told(high)}${value === null ? '' : `, read ${told(value)}`}`;
  return (
    <figure>
      <svg viewBox={`0 0 ${width} 44`} role="img" aria-label={label} className="block h-11 w-full">
        <line x1={0} x2={width} y1={22} y2={22} stroke="var(--line)" />
        <rect
          x={x(low - u)}
          width={Math.max(1, x(high + u) - x(low - u))}
          y={14}
          height={16}
          fill="color-mix(in srgb, var(--ochre-line) 16%, transparent)"
        />
        <rect
          x={x(expected - u)}
          width={Math.max(2, x(expected + u) - x(expected - u))}
          y={10}
          height={24}
          fill="color-mix(in srgb, var(--ochre-line) 38%, transparent)"
        />
        <line x1={x(expected)} x2={x(expected)} y1={7} y2={37} stroke="var(--ochre-line)" strokeWidth={2} />
        <line x1={x(truth)} x2={x(truth)} y1={3} y2={41} stroke="var(--ink)" strokeWidth={3} />
        {value !== null && (
          <path d={`M${x(value)} 24 l7 12 h-14 z`} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2} />
        )}
      </svg>
      <figcaption className="flex flex-wrap justify-between gap-x-3 text-[13px] text-soft">
        <span>
          <b className="text-ink">❙</b> true {told(truth)}
        </span>
        <span>
          <b className="text-ochre">❙</b> expected, ± U {u > 0 ? formatQuantity(u, unit, { digits: 2 }) : '0'}
        </span>
        {value !== null && <span>△ read {told(value)}</span>}
        <span>
          tolerance {told(low)} … {told(high)}
        </span>
      </figcaption>
    </figure>
  );
}
