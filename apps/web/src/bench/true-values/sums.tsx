import { formatQuantity } from '@usual-drag/core/quantity';
import type { Network } from '@usual-drag/core/network';
import { loopSums, nodeSums, type NetworkValues } from '@usual-drag/core/solver';
import { nodesOf } from '@usual-drag/core/network';
import clsx from 'clsx';
import { useMemo, type ReactNode } from 'react';
import { NodeBadge } from '../canvas/node-badge.tsx';

/** Currents at every node and voltages round every loop, shown to close. */
export function Sums({ network, values }: { readonly network: Network; readonly values: NetworkValues }) {
  const nodes = nodesOf(network);
  const atNodes = useMemo(() => nodeSums(network, values), [network, values]);
  const loops = useMemo(() => loopSums(network, values), [network, values]);
  const amps = (flows: readonly { readonly current: number }[]): string =>
    flows.length === 0 ? '0' : flows.map(({ current }) => formatQuantity(current, 'A')).join(' + ');
  return (
    <ul className="flex flex-col text-[14px]">
      {atNodes.map(({ node, into, out, left, closes }) => (
        <Line key={node} closes={left === null ? null : closes}>
          <NodeBadge node={node} nodes={nodes} /> <span className="text-soft">in</span>{' '}
          <span className="figures">{amps(into)}</span> <span className="text-soft">out</span>{' '}
          <span className="figures">{amps(out)}</span>
        </Line>
      ))}
      {loops.map(({ drops, left, closes }) => (
        <Line key={drops.map(({ element }) => element).join(' ')} closes={left === null ? null : closes}>
          {drops.map(({ element, voltage }, index) => (
            <span key={element} className="figures inline-block">
              {index > 0 && (voltage < 0 ? ' − ' : ' + ')}
              <b>{element}</b> {formatQuantity(index > 0 ? Math.abs(voltage) : voltage, 'V')}
            </span>
          ))}
          <span className="figures"> = 0</span>
        </Line>
      ))}
    </ul>
  );
}

function Line({ closes, children }: { readonly closes: boolean | null; readonly children: ReactNode }) {
  return (
    <li className="flex items-baseline justify-between gap-2 border-b border-line/60 py-1">
      <span>{children}</span>
      <span className={clsx('shrink-0 font-bold', closes ? 'text-good' : 'text-ochre')}>
        {closes === null ? 'not determined' : closes ? '✓ closes' : 'does not close'}
      </span>
    </li>
  );
}
