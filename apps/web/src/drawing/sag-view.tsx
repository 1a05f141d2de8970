import { sagTextSize, type MeterSag } from '@usual-drag/core/drawing';

/** Voltage by which the meters pull a rail down: hatched between the ghost and the rail, with its dimension. */
export function SagView({ figure, sag: { x1, x2, top, bottom, x, text } }: MeterSag) {
  return (
    <g aria-hidden>
      <rect x={x1} y={top} width={x2 - x1} height={bottom - top} fill="url(#sag)" />
      {bottom - top >= 5 && (
        <path
          d={`M${x} ${top}V${bottom}M${x - 5} ${top}h10M${x - 5} ${bottom}h10`}
          stroke="var(--ochre-line)"
          strokeWidth={1.5}
          fill="none"
        />
      )}
      <text
        x={text.x}
        y={text.y}
        textAnchor={text.anchor}
        fontFamily="var(--font-mono)"
        fontWeight={700}
        fontSize={sagTextSize}
        fill="var(--ochre)"
        stroke="var(--sheet)"
        strokeWidth={4}
        paintOrder="stroke"
      >
        {figure}
      </text>
    </g>
  );
}

/** The hatching, once a drawing. */
export function SagPattern() {
  return (
    <pattern id="sag" width={7} height={7} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <path d="M0 0V7" stroke="var(--ochre-line)" strokeOpacity={0.5} strokeWidth={1.4} />
    </pattern>
  );
}
