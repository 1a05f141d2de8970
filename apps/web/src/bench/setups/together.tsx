import {
  betterAlone,
  formatPercent,
  formatQuantity,
  togetherAndApart,
  type Instrument,
  type Setup,
  type Unloaded,
} from '@usual-drag/core';
import { useMemo } from 'react';
import { FiguresTable } from '../../ui/figures-table.tsx';

interface Props {
  readonly unloaded: Unloaded;
  readonly instruments: readonly Instrument[];
  readonly setup: Setup;
}

/** What the meters of a set-up do to each other: connected together, and one at a time. */
export function Together({ unloaded, instruments, setup }: Props) {
  const compared = useMemo(() => togetherAndApart(unloaded, instruments, setup), [unloaded, instruments, setup]);
  if (!compared.ok) return null;
  const alone = betterAlone(compared.value);
  const unitOf = (id: string): 'V' | 'A' =>
    setup.meters.find((meter) => meter.id === id)?.quantity === 'dc-voltage' ? 'V' : 'A';
  return (
    <section aria-label="Together or apart" className="flex flex-col gap-1.5">
      <FiguresTable
        label="Together or apart"
        head={['Meter', 'True', 'Together', '', 'Alone', ' ']}
        rows={compared.value.map(({ meter, together, alone: single }) => {
          const unit = unitOf(meter);
          return {
            key: meter,
            cells: [
              meter,
              formatQuantity(together.true, unit),
              <b key="together" className="text-ochre">
                {formatQuantity(together.indicated, unit)}
              </b>,
              formatPercent(together.relativeError, { signed: true, digits: 2 }),
              <b key="alone" className="text-ochre">
                {formatQuantity(single.indicated, unit)}
              </b>,
              formatPercent(single.relativeError, { signed: true, digits: 2 }),
            ],
          };
        })}
      />
      <p className="text-[14px] leading-snug">
        {alone.length === 0
          ? 'Connect them together: no meter has a larger error for the others.'
          : alone
              .map(
                ({ meter, together, alone: single }) =>
                  `Read ${meter} with the others disconnected: ${formatPercent(single.relativeError, { signed: true })} instead of ${formatPercent(together.relativeError, { signed: true })}.`,
              )
              .join(' ')}
      </p>
    </section>
  );
}
