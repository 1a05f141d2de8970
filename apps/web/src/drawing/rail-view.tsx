import { nodeTone, railMarks, type Rail } from '@usual-drag/core/drawing';
import { memo } from 'react';
import { MarksView } from './marks-view.tsx';

interface Props {
  readonly rail: Rail;
  readonly nodes: readonly string[];
  readonly lit?: boolean;
  readonly selected?: boolean;
  /** Names of what ends here, to be read out. */
  readonly joined?: string;
  readonly onSelect?: ((node: string) => void) | undefined;
  readonly onHover?: ((node: string | null) => void) | undefined;
}

/** A rail and its letter; pointing at it shows what is joined there. */
export const RailView = memo(function RailView({
  rail,
  nodes,
  lit = false,
  selected = false,
  joined,
  onSelect,
  onHover,
}: Props) {
  const { node, x1, x2, y } = rail;
  return (
    <g
      className="group focus:outline-none"
      data-rail={node}
      onPointerEnter={onHover && (() => onHover(node))}
      onPointerLeave={onHover && (() => onHover(null))}
      {...(onSelect && {
        role: 'button',
        tabIndex: -1,
        'aria-label': `Rail ${node}, ${joined}`,
        'aria-pressed': selected,
        onClick: () => onSelect(node),
        onKeyDown: (event: React.KeyboardEvent) => {
          if (event.key !== 'Enter' && event.key !== ' ') return;
          event.preventDefault();
          event.stopPropagation();
          onSelect(node);
        },
        style: { cursor: 'pointer' },
      })}
    >
      <rect
        x={x1 - 40}
        y={y - 13}
        width={x2 - x1 + 46}
        height={26}
        rx={9}
        fill={selected || lit ? 'var(--ochre-line)' : 'none'}
        fillOpacity={selected ? 0.22 : 0.14}
        pointerEvents="all"
        className="group-focus-visible:stroke-(--ochre-line) group-focus-visible:[stroke-width:3]"
      />
      <MarksView marks={railMarks(rail, nodes)} />
    </g>
  );
}, sameView);

function sameView(a: Props, b: Props): boolean {
  return (
    a.rail === b.rail &&
    a.lit === b.lit &&
    a.selected === b.selected &&
    a.joined === b.joined &&
    a.onSelect === b.onSelect &&
    a.onHover === b.onHover &&
    nodeTone(a.rail.node, a.nodes) === nodeTone(b.rail.node, b.nodes)
  );
}
