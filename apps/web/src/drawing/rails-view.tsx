import type { Axis, Part, Rail } from '@usual-drag/core';
import { nodeColour } from './node-colours.ts';
import { Symbol, symbolHalf } from './symbol.tsx';

const mono = 'var(--font-mono)';

/** Keeps text readable where a line runs behind it. */
const halo = { stroke: 'var(--sheet)', strokeWidth: 4, paintOrder: 'stroke' } as const;

/** The potential axis, its stretched parts marked. */
export function AxisView({ axis, width }: { readonly axis: Axis; readonly width: number }) {
  return (
    <g aria-hidden>
      {axis.stretched.map(({ y1, y2 }) => (
        <path key={y1} d={zigzag(y1 + 2, y2 - 2)} fill="none" stroke="var(--line)" strokeWidth={2} />
      ))}
      {axis.ticks.map(({ y, value }) => (
        <g key={value}>
          <path d={`M58 ${y}H${width - 8}`} stroke="var(--line)" strokeOpacity={0.7} />
          <text x={38} y={y + 4} textAnchor="end" fontFamily={mono} fontSize={13} fill="var(--soft)">
            {String(value).replace('-', '−')}
          </text>
        </g>
      ))}
      <text x={38} y={14} textAnchor="end" fontSize={13} fill="var(--soft)">
        V
      </text>
    </g>
  );
}

function zigzag(y1: number, y2: number): string {
  let path = `M50 ${y1}`;
  for (let y = y1 + 5, side = 1; y < y2; y += 5, side = -side) path += `L${50 + side * 3} ${y}`;
  return `${path}L50 ${y2}`;
}

/** A rail, its letter, and its ghost where the meters have moved it. */
export function RailView({ rail, nodes }: { readonly rail: Rail; readonly nodes: readonly string[] }) {
  const colour = nodeColour(rail.node, nodes);
  const width = Math.max(24, 12 + rail.node.length * 8.5);
  return (
    <g>
      {rail.ghostY !== null && (
        <path d={`M${rail.x1} ${rail.ghostY}H${rail.x2}`} stroke={colour} strokeWidth={1.5} strokeDasharray="5 4" />
      )}
      <g transform={`translate(0 ${rail.y})`}>
        <path d={`M${rail.x1} 0H${rail.x2}`} stroke={colour} strokeWidth={5} strokeLinecap="round" />
        <rect x={rail.x1 - width - 1} y={-12} width={width} height={24} rx={6} fill={colour} />
        <text
          x={rail.x1 - width / 2 - 1}
          y={5}
          textAnchor="middle"
          fontFamily={mono}
          fontWeight={700}
          fontSize={14}
          fill="var(--on-node)"
        >
          {rail.node}
        </text>
      </g>
    </g>
  );
}

interface PartProps {
  readonly part: Part;
  readonly selected: boolean;
  /** The live values are those with meters in. */
  readonly metered: boolean;
  readonly onSelect?: (() => void) | undefined;
}

/** A part on its line, with what stands beside it. */
export function PartView({ part, selected, metered, onSelect }: PartProps) {
  const liveColour = metered ? 'var(--ochre)' : 'var(--ink)';
  const { element, x, yTop, yBottom, ySymbol, inverted, label } = part;
  const half = symbolHalf(element);
  const wire = part.looped
    ? `M${x} ${yTop}V${ySymbol - half}M${x} ${ySymbol + half}V${yBottom}H${x + 32}V${yTop}`
    : `M${x} ${yTop}V${ySymbol - half}M${x} ${ySymbol + half}V${yBottom}`;
  const lines = [label.note, label.live].filter((line) => line !== null);
  const firstLine = ySymbol + 5 - lines.length * 8.5;
  return (
    <g
      className="group focus:outline-none"
      {...(onSelect && {
        role: 'button',
        tabIndex: 0,
        'aria-label': `${element.id} ${label.value}`,
        'aria-pressed': selected,
        onClick: onSelect,
        onKeyDown: (event: React.KeyboardEvent) => {
          if (event.key === 'Enter' || event.key === ' ') {
            event.preventDefault();
            onSelect();
          }
        },
        style: { cursor: 'pointer' },
      })}
    >
      <rect
        x={x - 20}
        y={ySymbol - 34}
        width={40}
        height={68}
        rx={9}
        fill="var(--ochre-line)"
        fillOpacity={selected ? 0.22 : 0}
        className="group-focus-visible:stroke-(--ochre-line) group-focus-visible:[stroke-width:3]"
      />
      {onSelect && (
        <rect x={x - 20} y={ySymbol - 34} width={label.x - x + label.width + 20} height={68} fill="transparent" />
      )}
      <path d={wire} stroke="var(--ink)" strokeWidth={2} fill="none" />
      <g transform={`translate(${x} ${ySymbol})`}>
        <Symbol element={element} inverted={inverted} />
      </g>
      <text x={label.x} y={firstLine} fontSize={14} fill="var(--ink)" {...halo}>
        <tspan fontWeight={700}>{element.id}</tspan>
        <tspan dx={6} fontFamily={mono}>
          {label.value}
        </tspan>
      </text>
      {lines.map((line, index) => (
        <text
          key={line}
          x={label.x}
          y={firstLine + 17 * (index + 1)}
          fontSize={13}
          fontFamily={line === label.live ? mono : undefined}
          fill={line === label.live ? liveColour : 'var(--soft)'}
          {...halo}
        >
          {line}
        </text>
      ))}
    </g>
  );
}
