import {
  apparentError,
  betterConnection,
  correctedResistance,
  crossoverResistance,
  formatPercent,
  formatQuantity,
  type Element,
  type Network,
  type Setup,
  type SetupValues,
} from '@usual-drag/core';
import { useState } from 'react';
import { Choice } from '../../ui/choice.tsx';
import { FiguresTable } from '../../ui/figures-table.tsx';

interface Props {
  readonly network: Network;
  readonly setup: Setup;
  readonly values: SetupValues;
}

const wayWords = {
  'across-part': 'voltmeter across the part alone',
  'across-both': 'across part and ammeter',
} as const;

/** A part's resistance from a voltmeter and an ammeter: what V/I comes to, corrected, and which way of connecting is better. */
export function ResistanceFound({ network, setup, values }: Props) {
  const parts = network.elements.filter(({ kind }) => kind === 'resistor' || kind === 'load');
  const volts = setup.meters.find(({ quantity }) => quantity === 'dc-voltage');
  const amps = setup.meters.find(({ quantity }) => quantity === 'dc-current');
  const across = parts.find((part) => volts?.quantity === 'dc-voltage' && stands(part, volts.red, volts.black));
  const [chosen, setChosen] = useState<string | null>(null);
  const part = parts.find(({ id }) => id === chosen) ?? across ?? parts.at(-1);
  const [v, i] = [volts && values.meters[volts.id], amps && values.meters[amps.id]];
  if (!part || volts?.quantity !== 'dc-voltage' || !v?.indicated || !i?.indicated) return null;
  const [voltmeter, ammeter] = [v.meterResistance, i.meterResistance];
  const way = stands(part, volts.red, volts.black) ? 'across-part' : 'across-both';
  const apparent = Math.abs(v.indicated / i.indicated);
  const corrected = correctedResistance(apparent, voltmeter, ammeter, way);
  const size = corrected ?? apparent;
  const better = betterConnection(size, voltmeter, ammeter);
  const ohms = (value: number | null): string => formatQuantity(value, 'Ω', { digits: 4, trim: true });
  return (
    <section aria-label="Resistance by voltmeter and ammeter" className="flex flex-col gap-1.5">
      <div className="flex items-center justify-between">
        <h2 className="text-[16px] font-bold">Resistance from V and I</h2>
        <Choice
          label="Of which part"
          className="w-24"
          value={part.id}
          options={parts.map(({ id }) => ({ value: id, text: id }))}
          onChange={setChosen}
        />
      </div>
      <p className="figures text-[15px]">
        {formatQuantity(Math.abs(v.indicated), 'V')} / {formatQuantity(Math.abs(i.indicated), 'A')} ={' '}
        <b className="text-ochre">{ohms(apparent)}</b>
        {corrected !== null && (
          <>
            , corrected <b>{ohms(corrected)}</b>
          </>
        )}
      </p>
      <FiguresTable
        label="Both ways of connecting"
        head={['Connected', 'V/I is off by']}
        selected={way}
        rows={(['across-part', 'across-both'] as const).map((each) => ({
          key: each,
          cells: [wayWords[each], formatPercent(apparentError(size, voltmeter, ammeter, each), { signed: true })],
        }))}
      />
      <p className="text-[14px] leading-snug">
        {better === way ? 'This way is the better one here' : `Better here: ${wayWords[better]}`}. The two cross over at{' '}
        <span className="figures">{ohms(crossoverResistance(voltmeter, ammeter))}</span>: below it the voltmeter goes
        across the part alone.
      </p>
    </section>
  );
}

const stands = ({ from, to }: Element, red: string, black: string): boolean =>
  (from === red && to === black) || (from === black && to === red);
