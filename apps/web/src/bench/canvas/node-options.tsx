import { nodesOf, type Network } from '@usual-drag/core/network';
import { useMemo, type ReactNode } from 'react';
import { NodeBadge } from './node-badge.tsx';

/** The nodes of a network to choose from, the same options as long as the nodes are. */
export function useNodeOptions(network: Network): { readonly value: string; readonly text: ReactNode }[] {
  const names = nodesOf(network).join(' ');
  return useMemo(() => {
    const nodes = names.split(' ');
    return nodes.map((node) => ({ value: node, text: <NodeBadge node={node} nodes={nodes} /> }));
  }, [names]);
}
