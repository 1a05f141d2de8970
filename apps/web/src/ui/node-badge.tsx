import { nodeTone } from '@usual-drag/core';
import clsx from 'clsx';
import { useSelection } from '../bench/selection.ts';

/** A node's letter on its colour, the same everywhere. Pointing at it shows everything that is joined there. */
export function NodeBadge({ node, nodes }: { readonly node: string; readonly nodes: readonly string[] }) {
  const hovered = useSelection((state) => state.hovered === node);
  const hover = useSelection((state) => state.hover);
  return (
    <span
      className={clsx(
        'figures inline-flex h-5.5 min-w-5.5 items-center justify-center rounded-md px-1 text-[13px] font-bold',
        hovered && 'outline-2 outline-offset-1 outline-(--ochre-line)',
      )}
      style={{ background: `var(--${nodeTone(node, nodes)})`, color: 'var(--on-node)' }}
      onPointerEnter={() => hover(node)}
      onPointerLeave={() => hover(null)}
    >
      {node}
    </span>
  );
}
