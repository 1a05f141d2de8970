import { formatPercent, formatQuantity } from '@usual-drag/core/quantity';
import { nodesOf, type Network } from '@usual-drag/core/network';
import { unitOf, type Instrument, type MeterQuantity, type Range } from '@usual-drag/core/instrument';
import { meterStateWords, stateOn, type MapPoint } from '@usual-drag/core/loading';
import { useMemo } from 'react';
import { columnsOf, DataTable } from '../../ui/data-table.tsx';
import { useNewest } from '../../ui/use-newest.ts';
import { NodeBadge } from '../canvas/node-badge.tsx';

interface Props {
  readonly network: Network;
  readonly instrument: Instrument;
  readonly range: Range;
  readonly quantity: MeterQuantity;
  readonly points: readonly MapPoint[];
  /** Moves the meter there. */
  readonly onTake: (point: MapPoint) => void;
}

const column = columnsOf<MapPoint>();

const keyOf = ({ inSeriesWith, across }: MapPoint): string => inSeriesWith ?? across?.join(' ') ?? '';

/** Loading error at every pair of nodes or every part, sorted; a click moves the meter there. */
export function MapTable({ network, instrument, range, quantity, points, onTake }: Props) {
  const nodes = useMemo(() => nodesOf(network), [network]);
  const take = useNewest(onTake);
  const columns = useMemo(() => {
    const unit = unitOf(quantity);
    return [
      column.accessor(keyOf, {
        id: 'point',
        header: quantity === 'dc-voltage' ? 'Across' : 'In series with',
        cell: ({ row: { original } }) =>
          original.across ? (
            <span className="inline-flex gap-1">
              {original.across.map((node) => (
                <NodeBadge key={node} node={node} nodes={nodes} />
              ))}
            </span>
          ) : (
            original.inSeriesWith
          ),
      }),
      column.accessor((point) => Math.abs(point.truth ?? 0), {
        id: 'true',
        header: 'True',
        meta: { figures: true },
        cell: ({ row: { original } }) => formatQuantity(original.truth, unit),
      }),
      column.accessor((point) => Math.abs(point.indicated ?? 0), {
        id: 'indicated',
        header: 'Indicated',
        meta: { figures: true, indicated: true },
        cell: ({ row: { original } }) => {
          const state = stateOn(instrument, range, original.indicated);
          return state === 'ok' ? formatQuantity(original.indicated, unit) : meterStateWords[state];
        },
      }),
      column.accessor((point) => point.sourceResistance ?? Infinity, {
        id: 'source',
        header: 'Source resistance',
        meta: { figures: true },
        cell: ({ row: { original } }) =>
          original.sourceResistance === null
            ? 'no limit'
            : formatQuantity(original.sourceResistance, 'Ω', { trim: true }),
      }),
      column.accessor('share', {
        id: 'error',
        header: 'Error',
        meta: { figures: true, indicated: true },
        cell: ({ getValue, row: { original } }) => {
          if (stateOn(instrument, range, original.indicated) !== 'ok' || original.truth === 0) return '–';
          return getValue() === 0 ? '0\u00a0%' : formatPercent(-getValue());
        },
      }),
      column.display({
        id: 'move',
        header: () => <span className="sr-only">Move the meter</span>,
        cell: ({ row: { original } }) => (
          <button
            type="button"
            className="min-h-7 rounded-md px-2 underline hover:bg-sunk pointer-coarse:min-h-11"
            onClick={() => take(original)}
          >
            move here
          </button>
        ),
      }),
    ];
  }, [nodes, instrument, range, quantity, take]);
  return (
    <div
      className="relative min-h-32 max-sm:bg-sheet sm:max-h-[40%] shrink-0 overflow-auto border-t border-line px-4 py-2"
      tabIndex={0}
      role="region"
      aria-label="Loading map"
    >
      <DataTable
        label="Loading map"
        rows={points}
        columns={columns}
        idOf={keyOf}
        sorting={[{ id: 'error', desc: true }]}
      />
    </div>
  );
}
