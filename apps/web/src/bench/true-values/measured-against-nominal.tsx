import { formatPercent, formatQuantity } from '@usual-drag/core/quantity';
import type { Network } from '@usual-drag/core/network';
import { solveUnloaded } from '@usual-drag/core/loading';
import { useMemo } from 'react';
import { FiguresTable } from '../../ui/figures-table.tsx';

/** Every part's voltage and current with nominal and with measured values, and how far apart the two are. */
export function MeasuredAgainstNominal({ network }: { readonly network: Network }) {
  const both = useMemo(
    () => (['nominal', 'measured'] as const).map((values) => solveUnloaded({ ...network, values })),
    [network],
  );
  const [nominal, measured] = both;
  if (!nominal?.ok || !measured?.ok) return null;
  return (
    <FiguresTable
      label="Measured against nominal"
      head={['Part', 'V nominal', 'measured', 'apart', 'I apart']}
      rows={network.elements.map(({ id }) => {
        const one = nominal.value.values.elements[id]!;
        const other = measured.value.values.elements[id]!;
        return {
          key: id,
          cells: [
            id,
            formatQuantity(one.voltage, 'V'),
            formatQuantity(other.voltage, 'V'),
            formatPercent(apart(one.voltage, other.voltage), { digits: 2, signed: true }),
            formatPercent(apart(one.current, other.current), { digits: 2, signed: true }),
          ],
        };
      })}
    />
  );
}

const apart = (one: number | null, other: number | null): number | null =>
  one === null || other === null || one === 0 ? null : (other - one) / one;
