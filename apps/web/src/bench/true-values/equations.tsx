import { formatQuantity } from '@usual-drag/core/quantity';
import { nodesOf, type Network } from '@usual-drag/core/network';
import type { NetworkValues } from '@usual-drag/core/solver';
import { nodeEquations } from '@usual-drag/core/reduction';
import { useMemo } from 'react';
import { NodeBadge } from '../canvas/node-badge.tsx';

/** Share of the largest term within which a sum closes. */
const closing = 1e-9;

/** The node equations written out, in letters and with the numbers, and their sums. */
export function Equations({ network, values }: { readonly network: Network; readonly values: NetworkValues }) {
  const equations = useMemo(() => nodeEquations(network, values), [network, values]);
  const nodes = nodesOf(network);
  return (
    <div className="min-h-0 grow overflow-auto p-4" tabIndex={0} role="region" aria-label="Node equations">
      <p className="mb-3 max-w-2xl text-[15px]">
        At every node except the reference, the currents that leave it add up to zero. There are as many equations as
        unknown potentials, so any network can be solved this way.
      </p>
      <ol className="flex flex-col gap-3">
        {equations.map(({ about, terms, unit, sum }) => (
          <li key={about} className="rounded-lg border border-line p-3">
            <h2 className="mb-1 flex items-center gap-1.5 font-bold">
              {unit === 'A' ? (
                about.split(' = ').map((node) => <NodeBadge key={node} node={node} nodes={nodes} />)
              ) : (
                <>{about} holds its voltage</>
              )}
            </h2>
            <p className="figures text-[15px] leading-relaxed">
              {terms.map(({ symbol }, index) => (
                <span key={index} className="whitespace-nowrap">
                  {index > 0 && (symbol.startsWith('−') ? ' − ' : ' + ')}
                  {index > 0 && symbol.startsWith('−') ? symbol.slice(1) : symbol}{' '}
                </span>
              ))}
              = 0
            </p>
            <table className="mt-2 w-full text-[14px]">
              <tbody>
                {terms.map(({ symbol, numbers, value }) => (
                  <tr key={symbol} className="border-t border-line/60">
                    <td className="figures py-0.5 pr-3">{numbers}</td>
                    <td className="figures py-0.5 text-right whitespace-nowrap">
                      {formatQuantity(value, unit, { signed: true })}
                    </td>
                  </tr>
                ))}
                <tr className="border-t border-line font-bold">
                  <td>sum</td>
                  <td className="figures text-right">
                    {sum === null ? 'not determined' : closes(sum, terms) ? '0 ✓' : formatQuantity(sum, unit)}
                  </td>
                </tr>
              </tbody>
            </table>
          </li>
        ))}
      </ol>
    </div>
  );
}

/** A sum that is nothing but the last digits of its terms. */
const closes = (sum: number, terms: readonly { readonly value: number | null }[]): boolean =>
  Math.abs(sum) <= closing * Math.max(...terms.map(({ value }) => Math.abs(value ?? 0)));
