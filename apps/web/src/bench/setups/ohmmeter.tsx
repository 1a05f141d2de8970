import { formatPercent, formatQuantity, ohmmeterAt, ohmsShown, type Unloaded } from '@usual-drag/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { listQuery } from '../../api/lists.ts';
import { Choice } from '../../ui/choice.tsx';
import { FiguresTable } from '../../ui/figures-table.tsx';
import { Note } from '../../ui/note.tsx';

/** What an ohmmeter would say at a part: out of circuit, in circuit, and with the supply on. */
export function Ohmmeter({ unloaded }: { readonly unloaded: Unloaded }) {
  const { data: kit = [] } = useQuery(listQuery('instruments'));
  const [chosen, setChosen] = useState({ part: '', range: '' });
  const { network } = unloaded;
  const parts = network.elements.filter(({ kind }) => kind === 'resistor' || kind === 'load');
  const part = parts.find(({ id }) => id === chosen.part) ?? parts.at(-1);
  const meters = kit.map(({ document }) => document).filter((kept) => !kept.retired);
  const ranges = meters.flatMap((kept) =>
    (kept.resistanceRanges ?? []).map((range) => ({ key: `${kept.id} ${range.id}`, kept, range })),
  );
  if (!part || ranges.length === 0) return null;
  const isolated = part.kind === 'resistor' ? part.resistance : 0;
  const fitting = ranges.find(({ kept, range }) => kept.display !== 'analogue' && range.fullScale > isolated);
  const taken = ranges.find(({ key }) => key === chosen.range) ?? fitting ?? ranges[0]!;
  const leads = (taken.kept.leadResistance ?? 0) + (taken.kept.contactResistance ?? 0);
  const readings = ohmmeterAt(unloaded, part.id, taken.range, leads);
  if (!readings) return null;
  const row = (key: string, ohms: number | null) => ({
    key,
    cells: [
      key,
      ohms === null ? '–' : ohmsShown(taken.range, ohms),
      ohms === null ? '' : formatPercent(ohms / readings.isolated - 1, { signed: true, digits: 3 }),
    ],
  });
  return (
    <details>
      <summary className="text-[15px] font-bold">An ohmmeter at {part.id}</summary>
      <div className="mt-2 flex flex-col gap-2">
        <div className="flex flex-wrap gap-2">
          <Choice
            label="Part that the ohmmeter is put to"
            className="w-28"
            value={part.id}
            options={parts.map(({ id }) => ({ value: id, text: id }))}
            onChange={(id) => setChosen({ ...chosen, part: id })}
          />
          <Choice
            label="Ohmmeter and range"
            className="w-80"
            value={taken.key}
            options={ranges.map(({ key, kept, range }) => ({
              value: key,
              text: `${range.id}, ${kept.name ?? kept.id}`,
            }))}
            onChange={(range) => setChosen({ ...chosen, range })}
          />
        </div>
        <FiguresTable
          label={`What the ohmmeter says at ${part.id}`}
          head={['how', 'shows', 'off']}
          rows={[
            row('out of circuit', readings.isolated),
            row('in circuit, supply off', readings.inCircuit),
            row('in circuit, supply on', readings.live),
          ]}
        />
        <p className="text-[13px] text-soft">
          It drives {formatQuantity(taken.range.testCurrent, 'A', { digits: 3, trim: true })}
          {leads > 0 && ` through ${formatQuantity(leads, 'Ω', { digits: 3, trim: true })} of leads`}; supply off: its
          internal resistance stays in.
        </p>
        <Note kind={Math.abs(readings.voltage ?? 0) > 0 ? 'hazard' : 'limit'}>
          {readings.voltage
            ? `With the supply on ${formatQuantity(Math.abs(readings.voltage), 'V', { digits: 3 })} stand across ${part.id}: the number means nothing, and the instrument can be damaged. `
            : ''}
          Resistance is measured with the supply off, proved dead, and one end of the part lifted.
        </Note>
      </div>
    </details>
  );
}
