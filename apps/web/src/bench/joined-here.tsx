import { commonPoints, endsAt, nodesOf, type Network } from '@usual-drag/core';
import { NodeBadge } from '../ui/node-badge.tsx';
import { useSelection } from './selection.ts';

/** Everything that is joined at the node that is pointed at, and what wires make one point with it. */
export function JoinedHere({ network }: { readonly network: Network }) {
  const node = useSelection((state) => state.hovered ?? state.rail);
  const nodes = nodesOf(network);
  if (node === null || !nodes.includes(node)) return null;
  const group = commonPoints(network).find((points) => points.includes(node)) ?? [node];
  const ends = group.flatMap((point) => endsAt(network, point)).map((end) => end.replace(/\.(from|to)$/, ''));
  return (
    <p className="pointer-events-none absolute bottom-1 left-3 z-10 flex max-w-[90%] flex-wrap items-center gap-1 rounded-md border border-line bg-sheet/95 px-2 py-0.5 text-[14px]">
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
