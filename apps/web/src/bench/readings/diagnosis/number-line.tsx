import type { Band } from '@usual-drag/core/diagnosis';
import { formatQuantity, type Unit } from '@usual-drag/core/quantity';

/** A predicted value with the limits of its U, and its name. */
interface LineMark extends Band {
  readonly text: string;
}

interface Props {
  readonly unit: Unit;
  readonly marks: readonly LineMark[];
  /** A value that was read; none if omitted. */
  readonly reading?: number;
}

const [width, padding] = [360, 28];

/** Share of the span that is left free at either end. */
const margin = 0.12;

/** A number line with each prediction as a band of its U, and the reading as a mark below. */
export function NumberLine({ unit, marks, reading }: Props) {
  const ends = [...marks.flatMap(({ low, high }) => [low, high]), ...(reading === undefined ? [] : [reading])];
  const [low, high] = [Math.min(...ends), Math.max(...ends)];
  const span = high - low || Math.abs(high) || 1;
  const at = (value: number): number =>
    padding + ((value - low + margin * span) / (span * (1 + 2 * margin))) * (width - 2 * padding);
  const print = (value: number): string => formatQuantity(value, unit, { digits: 4 });
  const row = 16;
  const height = 30 + row * marks.length + (reading === undefined ? 0 : row);
  return (
    <svg
      role="img"
      aria-label={[
        ...marks.map(({ text, value }) => `${text} ${print(value)}`),
        ...(reading === undefined ? [] : [`read ${print(reading)}`]),
      ].join(', ')}
      viewBox={`0 0 ${width} ${height}`}
      className="w-full max-w-[360px]"
    >
      <line x1={padding} x2={width - padding} y1="14" y2="14" stroke="var(--soft)" />
      {marks.map(({ text, value, ...band }, k) => {
        const [left, right] = [at(band.low), at(band.high)];
        return (
          <g key={text}>
            <rect
              x={left}
              width={Math.max(3, right - left)}
              y="4"
              height="20"
              fill={`var(--node-${(k % 7) + 1})`}
              opacity="0.35"
            />
            <line
              x1={at(value)}
              x2={at(value)}
              y1="2"
              y2={28 + row * k}
              stroke={`var(--node-${(k % 7) + 1})`}
              strokeWidth="1.5"
            />
            <text x={at(value)} y={38 + row * k} fontSize="12.5" textAnchor={anchorOf(at(value))} fill="var(--ink)">
              {text}: {print(value)}
            </text>
          </g>
        );
      })}
      {reading !== undefined && (
        <g>
          <path d={`M${at(reading)} 16l5 9h-10Z`} fill="var(--ochre-line)" />
          <text
            x={at(reading)}
            y={38 + row * marks.length}
            fontSize="12.5"
            textAnchor={anchorOf(at(reading))}
            fill="var(--ochre)"
          >
            read {print(reading)}
          </text>
        </g>
      )}
    </svg>
  );
}

/** px from either end within which a text keeps to its side. */
const side = 90;

const anchorOf = (x: number): 'start' | 'middle' | 'end' => (x < side ? 'start' : x > width - side ? 'end' : 'middle');
