import { partMarks, samePart, type Part, type PartStyle } from '@usual-drag/core';
import { memo } from 'react';
import { MarksView } from './marks-view.tsx';

interface Props {
  readonly part: Part;
  readonly style: PartStyle;
  readonly selected: boolean;
  /** Everything joined at the node that is pointed at stands out. */
  readonly lit?: boolean;
  /** It can be reached by Tab; the others by the arrow keys from it. */
  readonly reachable?: boolean;
  readonly onSelect?: ((id: string, add: boolean) => void) | undefined;
}

/** A part on its line, to be selected where that is asked for. */
export const PartView = memo(function PartView({
  part,
  style,
  selected,
  lit = false,
  reachable = true,
  onSelect,
}: Props) {
  const { element, ySymbol, label, symbolScale } = part;
  const half = 34 * symbolScale;
  const side = 20 * symbolScale;
  const name = `${element.id} ${label.lines.map((line) => line.text).find((text) => text !== '') ?? ''}`.trim();
  return (
    <g
      className="group focus:outline-none"
      transform={`translate(${part.x} 0)`}
      data-part={element.id}
      {...(onSelect && {
        role: 'button',
        tabIndex: reachable ? 0 : -1,
        'aria-label': name,
        'aria-pressed': selected,
        onClick: (event: React.MouseEvent) => onSelect(element.id, event.shiftKey || event.ctrlKey || event.metaKey),
        onKeyDown: (event: React.KeyboardEvent) => {
          if (event.key !== 'Enter' && event.key !== ' ') return;
          if (event.key === 'Enter' && selected) return;
          event.preventDefault();
          event.stopPropagation();
          onSelect(element.id, event.shiftKey);
        },
        style: { cursor: 'pointer' },
      })}
    >
      <rect
        x={-side}
        y={ySymbol - half}
        width={2 * side}
        height={2 * half}
        rx={9}
        fill="var(--ochre-line)"
        fillOpacity={selected ? 0.22 : lit ? 0.1 : 0}
        className="group-focus-visible:stroke-(--ochre-line) group-focus-visible:[stroke-width:3]"
      />
      {onSelect && (
        <rect
          x={-side}
          y={ySymbol - half}
          width={label.x - part.x + label.width + side}
          height={2 * half}
          fill="transparent"
        />
      )}
      <PartShape part={atZero(part)} style={style} />
    </g>
  );
});

/** The part as if it stood at the left edge: one that is only moved is not drawn anew. */
const atZero = (part: Part): Part => ({
  ...part,
  x: 0,
  label: { ...part.label, x: Number((part.label.x - part.x).toFixed(6)) },
});

const PartShape = memo(
  function PartShape({ part, style }: Pick<Props, 'part' | 'style'>) {
    return <MarksView marks={partMarks(part, style)} />;
  },
  (before, now) => before.style === now.style && samePart(before.part, now.part),
);
