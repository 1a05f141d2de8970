import { commonPoints, endsAt, nodesOf } from '@usual-drag/core/network';
import type { ReactNode } from 'react';
import { NodeBadge } from './node-badge.tsx';
import { useBench } from '../model/bench-store.ts';
import { useSelection } from '../model/selection.ts';

/** Everything that is joined at the node that is pointed at, and what wires make one point with it; else its children. */
export function JoinedHere({ children }: { readonly children: ReactNode }) {
  const node = useSelection((state) => state.hovered ?? state.rail);
  return node === null ? children : <Joined node={node}>{children}</Joined>;
}

function Joined({ node, children }: { readonly node: string; readonly children: ReactNode }) {
  const network = useBench((state) => state.document.network);
  const nodes = nodesOf(network);
  if (!nodes.includes(node)) return children;
  const group = commonPoints(network).find((points) => points.includes(node)) ?? [node];
  const ends = group.flatMap((point) => endsAt(network, point)).map((end) => end.replace(/\.(from|to)$/, ''));
  return (
    <p className="flex items-center gap-1 py-0.5 text-[14px]">
      {group.map((point) => (
        <NodeBadge key={point} node={point} nodes={nodes} />
      ))}
      {group.length > 1 && <span>are one point:</span>}
      <span>
        joins <b>{[...new Set(ends)].join(', ')}</b>
      </span>
    </p>
  );
}
