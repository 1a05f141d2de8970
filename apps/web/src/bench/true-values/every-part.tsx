import { formatPercent, formatQuantity } from '@usual-drag/core/quantity';
import { type Element, type Network, isSource } from '@usual-drag/core/network';
import type { NetworkValues } from '@usual-drag/core/solver';
import { usePartInHand, useSelection } from '../model/selection.ts';
import { FiguresTable } from '../../ui/figures-table.tsx';

interface Props {
  readonly network: Network;
  readonly values: NetworkValues;
}

/** Voltage, current, power and the share of its rating of every part, and what is given and taken in all. */
export function EveryPart({ network, values }: Props) {
  const inHand = usePartInHand();
  const selectPart = useSelection((state) => state.selectPart);
  const rows = network.elements.map((element) => {
    const of = values.elements[element.id]!;
    return {
      key: element.id,
      cells: [
        element.id,
        formatQuantity(of.voltage, 'V'),
        formatQuantity(of.current, 'A'),
        formatQuantity(of.power, 'W'),
        <Share key="share" share={shareOfRating(element, of.power)} most={element.kind === 'load' ? 1.44 : 1} />,
      ],
    };
  });
  const sum = (given: boolean): number =>
    network.elements.reduce((total, element) => {
      const power = values.elements[element.id]!.power ?? 0;
      const fromSource = isSource(element) ? power : -power;
      return total + Math.max(0, given ? fromSource : -fromSource);
    }, 0);
  return (
    <>
      <FiguresTable
        label="Every part"
        head={['Part', 'Volts', 'Current', 'Power', 'Of rating']}
        rows={rows}
        selected={inHand}
        onSelect={selectPart}
      />
      <p className="px-1.5 text-[14px]">
        Total <span className="figures font-bold">{formatQuantity(sum(true), 'W')}</span> supplied,{' '}
        <span className="figures font-bold">{formatQuantity(sum(false), 'W')}</span> absorbed.
      </p>
    </>
  );
}

/** Returns the power over the rating of a resistor or load; null if there is no rating. */
function shareOfRating(element: Element, power: number | null): number | null {
  const rated =
    element.kind === 'resistor'
      ? element.powerRating
      : element.kind === 'load'
        ? element.ratedVoltage * element.ratedCurrent
        : undefined;
  return rated === undefined || rated === 0 || power === null ? null : power / rated;
}

/** @param most  the share from which it is a hazard; a lamp withstands a fifth more than its voltage */
function Share({ share, most }: { readonly share: number | null; readonly most: number }) {
  if (share === null) return <span className="text-soft">–</span>;
  return (
    <span className="inline-flex items-center justify-end gap-1">
      <span aria-hidden className="h-3 w-7 overflow-hidden rounded-sm border border-line">
        <span
          className={share > most ? 'block h-full bg-hazard' : 'block h-full bg-ink'}
          style={{ width: `${Math.min(1, share) * 100}%` }}
        />
      </span>
      {formatPercent(share, { digits: 2 })}
    </span>
  );
}
