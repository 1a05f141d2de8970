import type { AmmeterMark, VoltmeterMark } from '@usual-drag/core';

const mono = 'var(--font-mono)';
const ochre = 'var(--ochre-line)';

interface FaceProps {
  readonly id: string;
  readonly x: number;
  readonly y: number;
  readonly lines: readonly string[];
  readonly chosen: boolean;
  readonly dim?: boolean;
}

function Face({ id, x, y, lines, chosen, dim = false }: FaceProps) {
  return (
    <g>
      <circle
        cx={x}
        cy={y}
        r={18}
        fill="var(--sheet)"
        stroke={ochre}
        strokeWidth={chosen ? 4 : 2.5}
        strokeDasharray={dim ? '4 3' : undefined}
      />
      <text x={x} y={y + 5} textAnchor="middle" fontFamily={mono} fontWeight={700} fontSize={14} fill="var(--ochre)">
        {id}
      </text>
      {lines.map((line, index) => (
        <text
          key={line}
          x={x + 27}
          y={y + 6 + index * 19 - (lines.length - 1) * 5}
          fontFamily={mono}
          fontWeight={index === 0 ? 700 : 400}
          fontSize={index === 0 ? 18 : 13}
          fill={index === 0 ? 'var(--ochre)' : 'var(--soft)'}
        >
          {line}
        </text>
      ))}
    </g>
  );
}

interface VoltmeterProps {
  readonly mark: VoltmeterMark;
  readonly lines: readonly string[];
  readonly chosen: boolean;
}

/** A voltmeter in a column of its own; its leads are drawn by `LeadHandle`. */
export function VoltmeterView({ mark, lines, chosen }: VoltmeterProps) {
  const { x, yRed, yBlack, y } = mark;
  const shorted = yRed === yBlack;
  const wires = shorted
    ? `M${x} ${yRed}V${y - 18}M${x} ${y + 18}v14h-32V${yBlack}`
    : `M${x} ${yRed}V${y + (yRed < y ? -18 : 18)}M${x} ${yBlack}V${y + (yBlack < y ? -18 : 18)}`;
  return (
    <g>
      <path d={wires} stroke={ochre} strokeWidth={2} fill="none" />
      <Face id={mark.id} x={x} y={y} lines={lines} chosen={chosen} />
    </g>
  );
}

interface AmmeterProps {
  readonly mark: AmmeterMark;
  readonly lines: readonly string[];
  readonly chosen: boolean;
  readonly blown: boolean;
}

/** An ammeter between a rail and the tie that the lifted ends are joined to, its leads told apart by shape and sign. */
export function AmmeterView({ mark, lines, chosen, blown }: AmmeterProps) {
  const { x, yRail, yTie, tie, reversed } = mark;
  const y = (yRail + yTie) / 2;
  const down = yTie > yRail ? 1 : -1;
  const [plus, minus] = reversed ? [yTie, yRail] : [yRail, yTie];
  return (
    <g>
      <path d={`M${x} ${yRail}V${yTie}`} stroke={ochre} strokeWidth={2} />
      <path d={`M${tie.x1} ${yTie}H${tie.x2}`} stroke="var(--ink)" strokeWidth={4} strokeLinecap="round" />
      <Face id={mark.id} x={x} y={y} lines={lines} chosen={chosen} dim={blown} />
      <LeadSign x={x} y={plus} lead="red" side={plus === yRail ? down : -down} />
      <LeadSign x={x} y={minus} lead="black" side={minus === yRail ? down : -down} />
    </g>
  );
}

/** The mark of a lead: a red triangle with +, a black square with −. */
export function LeadSign({
  x,
  y,
  lead,
  side,
}: {
  readonly x: number;
  readonly y: number;
  readonly lead: 'red' | 'black';
  readonly side: number;
}) {
  return (
    <g transform={`translate(${x} ${y + side * 6})`}>
      {lead === 'red' ? (
        <path d={`M-8 ${-side * 6}H8L0 ${side * 7}Z`} fill="var(--lead-red)" />
      ) : (
        <rect x={-7} y={-6.5} width={14} height={13} rx={2} fill="var(--lead-black)" />
      )}
      <text
        x={-11}
        y={5 + side * 7}
        textAnchor="end"
        fontSize={16}
        fontWeight={700}
        fontFamily={mono}
        fill={lead === 'red' ? 'var(--lead-red)' : 'var(--lead-black)'}
      >
        {lead === 'red' ? '+' : '−'}
      </text>
    </g>
  );
}
