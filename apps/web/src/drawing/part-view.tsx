import { partMarks, type Part, type PartStyle } from '@usual-drag/core/drawing';
import { memo, useMemo } from 'react';
import { MarksView } from './marks-view.tsx';

interface Props {
  readonly part: Part;
  readonly style: PartStyle;
  readonly selected: boolean;
  /** Whether everything joined at the node that is pointed at is emphasised. */
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
  const { element, x, ySymbol, label, symbolScale } = part;
  const marks = useMemo(() => partMarks(part, style), [part, style]);
  const half = 34 * symbolScale;
  const side = 20 * symbolScale;
  const name = `${element.id} ${label.lines.map((line) => line.text).find((text) => text !== '') ?? ''}`.trim();
  return (
    <g
      className="group focus:outline-none"
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
        x={x - side}
        y={ySymbol - half}
        width={2 * side}
        height={2 * half}
        rx={9}
        fill={selected || lit ? 'var(--ochre-line)' : 'none'}
        fillOpacity={selected ? 0.22 : 0.1}
        className="group-focus-visible:stroke-(--ochre-line) group-focus-visible:[stroke-width:3]"
      />
      {onSelect && (
        <rect
          x={x - side}
          y={ySymbol - half}
          width={label.x - x + label.width + side}
          height={2 * half}
          fill="none"
          pointerEvents="all"
        />
      )}
      <MarksView marks={marks} />
    </g>
  );
});
