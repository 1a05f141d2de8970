import { formatQuantity, type RailDrawing, type VoltmeterMark } from '@usual-drag/core';

interface Props {
  readonly drawing: RailDrawing;
  readonly mark: VoltmeterMark;
  /** Node of the red lead. */
  readonly red: string;
  /** indicated − true, V. */
  readonly error: number;
}

/** What the meters drag a rail down by: hatched between the ghost and the rail, with its dimension. */
export function SagView({ drawing, mark, red, error }: Props) {
  const rail = drawing.rails.find((candidate) => candidate.node === red);
  if (!rail || rail.ghostY === null) return null;
  const [top, bottom] = [Math.min(rail.y, rail.ghostY), Math.max(rail.y, rail.ghostY)];
  const x = Math.min(mark.x - 30, rail.x2 - 6);
  const shown = formatQuantity(error, 'V', { digits: 3, signed: true });
  const inside = bottom - top >= 20;
  return (
    <g aria-hidden>
      <rect x={rail.x1} y={top} width={rail.x2 - rail.x1} height={bottom - top} fill="url(#sag)" />
      {bottom - top >= 5 && (
        <path
          d={`M${x} ${top}V${bottom}M${x - 5} ${top}h10M${x - 5} ${bottom}h10`}
          stroke="var(--ochre-line)"
          strokeWidth={1.5}
          fill="none"
        />
      )}
      <text
        x={x - 10}
        y={inside ? (top + bottom) / 2 + 5 : top - 7}
        textAnchor="end"
        fontFamily="var(--font-mono)"
        fontWeight={700}
        fontSize={14}
        fill="var(--ochre)"
        stroke="var(--sheet)"
        strokeWidth={4}
        paintOrder="stroke"
      >
        {shown}
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
