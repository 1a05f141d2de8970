import { bandInk, type Mark, type Tone } from '@usual-drag/core/drawing';
import { memo } from 'react';

const tone = (name: Tone): string => bandInk(name) ?? `var(--${name})`;

/** Marks from core as SVG, in the colours of the theme. */
export const MarksView = memo(function MarksView({ marks }: { readonly marks: readonly Mark[] }) {
  return marks.map((mark, index) => <MarkView key={index} mark={mark} />);
});

function MarkView({ mark }: { readonly mark: Mark }) {
  if (mark.shape === 'path')
    return (
      <path
        d={mark.d}
        fill={mark.fill ? tone(mark.fill) : 'none'}
        stroke={mark.stroke && tone(mark.stroke)}
        strokeWidth={mark.stroke && (mark.width ?? 1)}
        strokeDasharray={mark.dash}
        strokeLinecap={mark.round ? 'round' : undefined}
        strokeOpacity={mark.faint ? 0.7 : undefined}
      />
    );
  return (
    <text
      x={mark.x}
      y={mark.y}
      fontSize={mark.size}
      fontFamily={mark.mono ? 'var(--font-mono)' : undefined}
      fontWeight={mark.bold ? 700 : undefined}
      textAnchor={mark.anchor}
      fill={tone(mark.tone)}
      {...(mark.halo && { stroke: 'var(--sheet)', strokeWidth: 4, paintOrder: 'stroke' })}
    >
      {mark.text}
    </text>
  );
}
