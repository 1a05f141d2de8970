import { nodeTone } from '@usual-drag/core/drawing';
import clsx from 'clsx';
import { memo } from 'react';
import { useSelection } from '../model/selection.ts';

interface Props {
  readonly node: string;
  readonly nodes: readonly string[];
}

/** A node's letter on its colour, the same everywhere. Pointing at it shows everything that is joined there. */
export const NodeBadge = memo(function NodeBadge({ node, nodes }: Props) {
  const hovered = useSelection((state) => state.hovered === node);
  return (
    <span
      className={clsx(
        'figures inline-flex h-5.5 min-w-5.5 items-center justify-center rounded-md px-1 text-[13px] font-bold',
        hovered && 'outline-2 outline-offset-1 outline-(--ochre-line)',
      )}
      style={{ background: `var(--${nodeTone(node, nodes)})`, color: 'var(--on-node)' }}
      onPointerEnter={() => useSelection.getState().hover(node)}
      onPointerLeave={() => useSelection.getState().hover(null)}
    >
      {node}
    </span>
  );
}, sameBadge);

function sameBadge(a: Props, b: Props): boolean {
  return a.node === b.node && nodeTone(a.node, a.nodes) === nodeTone(b.node, b.nodes);
}
