import { nodeColour } from '../drawing/node-colours.ts';

/** A node's letter on its colour, the same everywhere. */
export function NodeBadge({ node, nodes }: { readonly node: string; readonly nodes: readonly string[] }) {
  return (
    <span
      className="figures inline-flex h-5.5 min-w-5.5 items-center justify-center rounded-md px-1 text-[13px] font-bold"
      style={{ background: nodeColour(node, nodes), color: 'var(--on-node)' }}
    >
      {node}
    </span>
  );
}
