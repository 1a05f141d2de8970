import { formatPercent, formatQuantity, ohms } from '@usual-drag/core/quantity';
import type { Network } from '@usual-drag/core/network';
import {
  connectedTheOtherWay,
  connections,
  connectionWords,
  crossoverResistance,
  resistancesFromSetup,
  type Meter,
  type Setup,
  type SetupValues,
} from '@usual-drag/core/loading';
import { useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { Choice } from '../../ui/choice.tsx';
import { FiguresTable } from '../../ui/figures-table.tsx';

interface Props {
  readonly network: Network;
  readonly setup: Setup;
  readonly values: SetupValues;
  readonly place: (meter: Meter) => void;
}

/** A part's resistance from a voltmeter and an ammeter: V/I, corrected, and which of the two connections is better. */
export function ResistanceFound({ network, setup, values, place }: Props) {
  const found = resistancesFromSetup(network, setup, values);
  const [chosen, setChosen] = useState<string | null>(null);
  const keyOf = ({ part, voltmeter, ammeter }: (typeof found)[number]): string => `${part} ${voltmeter} ${ammeter}`;
  const measured = found.find((one) => keyOf(one) === chosen) ?? found[0];
  if (!measured)
    return (
      <p className="text-[14px]">
        No pair of these meters measures a part: connect the voltmeter across a part, and the ammeter in series with it.
      </p>
    );
  const moved = connectedTheOtherWay(measured, network, setup, values);
  const { connection, apparent, corrected, errors, better, voltmeterResistance, ammeterResistance } = measured;
  return (
    <section aria-label="Resistance by voltmeter and ammeter" className="flex flex-col gap-1.5">
      <div className="flex items-center justify-between">
        <h2 className="text-[16px] font-bold">Resistance from V and I</h2>
        <Choice
          label="Of which part"
          className="w-36"
          value={keyOf(measured)}
          options={found.map((one) => ({
            value: keyOf(one),
            text: found.length === 1 ? one.part : `${one.part} by ${one.voltmeter}, ${one.ammeter}`,
          }))}
          onChange={setChosen}
        />
      </div>
      <p className="figures text-[15px]">
        {formatQuantity(measured.voltage, 'V')} / {formatQuantity(measured.current, 'A')} ={' '}
        <b className="text-ochre">{ohms(apparent)}</b>
        {corrected !== null && (
          <>
            , corrected <b>{ohms(corrected)}</b>
          </>
        )}
      </p>
      <FiguresTable
        label="Both ways of connecting"
        head={['Connected', 'Error of V/I']}
        selected={connection}
        rows={connections.map((each) => ({
          key: each,
          cells: [
            `${connectionWords[each]}${each === better ? ' ★' : ''}`,
            formatPercent(errors[each], { signed: true }),
          ],
        }))}
      />
      {moved && (
        <Button className="self-start" onClick={() => place(moved)}>
          Connect the {connectionWords[connections.find((each) => each !== connection)!]}
        </Button>
      )}
      <p className="text-[14px] leading-snug">
        ★ better here; equal errors at{' '}
        <span className="figures">{ohms(crossoverResistance(voltmeterResistance, ammeterResistance))}</span>, below it
        the part alone.
      </p>
    </section>
  );
}
