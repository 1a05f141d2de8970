import { formatPercent, formatQuantity } from '@usual-drag/core/quantity';
import { unitOf, type Instrument, type MeterQuantity } from '@usual-drag/core/instrument';
import {
  betterAlone,
  meterStateWords,
  readableError,
  togetherAndApart,
  type MeterReading,
  type Setup,
  type Unloaded,
} from '@usual-drag/core/loading';
import { useMemo } from 'react';
import { FiguresTable } from '../../ui/figures-table.tsx';

interface Props {
  readonly unloaded: Unloaded;
  readonly instruments: readonly Instrument[];
  readonly setup: Setup;
}

/** Effects of the meters of a set-up on one another: connected together, and one at a time. */
export function Together({ unloaded, instruments, setup }: Props) {
  const compared = useMemo(() => togetherAndApart(unloaded, instruments, setup), [unloaded, instruments, setup]);
  if (!compared.ok) return null;
  const alone = betterAlone(compared.value);
  const quantityOf = (id: string): MeterQuantity => setup.meters.find((meter) => meter.id === id)!.quantity;
  return (
    <section aria-label="Together or apart" className="flex flex-col gap-1.5">
      <FiguresTable
        label="Together or apart"
        head={['Meter', 'True', 'Together', '', 'Alone', ' ']}
        rows={compared.value.map(({ meter, together, alone: single }) => {
          const quantity = quantityOf(meter);
          return {
            key: meter,
            cells: [
              meter,
              formatQuantity(together.true, unitOf(quantity)),
              <b key="together" className="text-ochre">
                {formatQuantity(together.indicated, unitOf(quantity))}
              </b>,
              errorText(together, quantity),
              <b key="alone" className="text-ochre">
                {formatQuantity(single.indicated, unitOf(quantity))}
              </b>,
              errorText(single, quantity),
            ],
          };
        })}
      />
      <p className="text-[14px] leading-snug">
        {alone.length === 0
          ? 'They can be connected together: no meter reads noticeably better alone.'
          : alone
              .map(
                ({ meter, together, alone: single }) =>
                  `Read ${meter} with the others disconnected: ${errorText(single, quantityOf(meter))} instead of ` +
                  `${errorText(together, quantityOf(meter))}.`,
              )
              .join(' ')}
      </p>
    </section>
  );
}

/**
 * The error in per cent, to the same digits in table and sentence; in V or A if the true value is 0; the state of a meter that
 * cannot be read.
 */
function errorText(reading: MeterReading, quantity: MeterQuantity): string {
  if (reading.state !== 'ok') return meterStateWords[reading.state];
  const relative = readableError(reading);
  return relative === null
    ? formatQuantity(reading.error, unitOf(quantity), { signed: true, digits: 3 })
    : formatPercent(relative, { signed: true, digits: 3 });
}
