import {
  formatPercent,
  formatQuantity,
  nodesOf,
  type MapPoint,
  type MeterQuantity,
  type Network,
  unitOf,
} from '@usual-drag/core';
import clsx from 'clsx';
import { useState } from 'react';
import { NodeBadge } from '../canvas/node-badge.tsx';

interface Props {
  readonly network: Network;
  readonly quantity: MeterQuantity;
  readonly points: readonly MapPoint[];
  /** Puts the meter there. */
  readonly onTake: (point: MapPoint) => void;
}

type Order = 'error' | 'source' | 'true';

/** Where this meter drags most: every pair of nodes or every part, sorted, each a click away from being read. */
export function MapTable({ network, quantity, points, onTake }: Props) {
  const [order, setOrder] = useState<Order>('error');
  const nodes = nodesOf(network);
  const unit = unitOf(quantity);
  const by: Readonly<Record<Order, (point: MapPoint) => number>> = {
    error: ({ share }) => share,
    source: ({ sourceResistance }) => sourceResistance ?? Infinity,
    true: ({ truth }) => truth ?? 0,
  };
  const sorted = [...points].sort((a, b) => by[order](b) - by[order](a));
  const heads: readonly (readonly [Order | null, string])[] = [
    ['true', 'True'],
    [null, 'Would show'],
    ['source', 'Looks into'],
    ['error', 'Error'],
  ];
  return (
    <div
      className="max-h-[40%] min-h-32 shrink-0 overflow-auto border-t border-line px-4 py-2"
      tabIndex={0}
      role="region"
      aria-label="Loading map"
    >
      <table className="w-full border-collapse text-[14px]">
        <thead className="text-[13px] text-soft">
          <tr className="border-b border-line">
            <th scope="col" className="px-2 py-1 text-left font-medium">
              {quantity === 'dc-voltage' ? 'Across' : 'In series with'}
            </th>
            {heads.map(([key, text]) => (
              <th
                key={text}
                scope="col"
                aria-sort={key === order ? 'descending' : undefined}
                className="px-2 py-1 text-right font-medium"
              >
                {key ? (
                  <button
                    type="button"
                    className={clsx(key === order && 'font-bold text-ink')}
                    onClick={() => setOrder(key)}
                  >
                    {text} {key === order && <span aria-hidden>▾</span>}
                  </button>
                ) : (
                  text
                )}
              </th>
            ))}
            <th scope="col">
              <span className="sr-only">Put it there</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {sorted.map((point) => (
            <tr key={point.inSeriesWith ?? point.across?.join()} className="border-b border-line/60">
              <th scope="row" className="px-2 py-0.5 text-left font-bold">
                {point.across ? (
                  <span className="inline-flex gap-1">
                    {point.across.map((node) => (
                      <NodeBadge key={node} node={node} nodes={nodes} />
                    ))}
                  </span>
                ) : (
                  point.inSeriesWith
                )}
              </th>
              <td className="figures px-2 text-right">{formatQuantity(point.truth, unit)}</td>
              <td className="figures px-2 text-right font-bold text-ochre">{formatQuantity(point.indicated, unit)}</td>
              <td className="figures px-2 text-right">
                {point.sourceResistance === null
                  ? 'endless'
                  : formatQuantity(point.sourceResistance, 'Ω', { trim: true })}
              </td>
              <td className="figures px-2 text-right font-bold text-ochre">
                {point.share === 0 ? '0\u00a0%' : formatPercent(-point.share)}
              </td>
              <td className="text-right whitespace-nowrap">
                <button
                  type="button"
                  className="min-h-7 rounded-md px-2 underline hover:bg-sunk"
                  onClick={() => onTake(point)}
                >
                  put it there
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
