import { formatPercent, formatQuantity } from '@usual-drag/core/quantity';
import type { Network } from '@usual-drag/core/network';
import { sourceViews } from '@usual-drag/core/solver';
import { useMemo } from 'react';
import { FiguresTable } from '../../ui/figures-table.tsx';

/** Network seen by each source, and the fall of its voltage under load. */
export function Supplies({ network }: { readonly network: Network }) {
  const views = useMemo(() => sourceViews(network), [network]);
  if (!views.ok || views.value.length === 0) return <p className="text-[14px] text-soft">There is no source here.</p>;
  return (
    <FiguresTable
      label="Supplies"
      head={['Source', 'Load', 'Open circuit', 'Loaded', 'Drop', 'Current']}
      rows={views.value.map(({ id, equivalent, openCircuit, loaded, current }) => ({
        key: id,
        cells: [
          id,
          equivalent === null ? 'open' : formatQuantity(equivalent, 'Ω', { trim: true }),
          formatQuantity(openCircuit, 'V', { trim: true }),
          formatQuantity(loaded, 'V'),
          openCircuit === null || loaded === null || openCircuit === 0
            ? '–'
            : formatPercent((openCircuit - loaded) / openCircuit, { digits: 2 }),
          formatQuantity(current, 'A'),
        ],
      }))}
    />
  );
}
