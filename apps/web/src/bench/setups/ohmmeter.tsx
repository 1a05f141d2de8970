import { formatPercent, formatQuantity } from '@usual-drag/core/quantity';
import { ohmmeterAt, ohmmeterRows, type Unloaded } from '@usual-drag/core/loading';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { listQuery } from '../../api/lists.ts';
import { Choice } from '../../ui/choice.tsx';
import { FiguresTable } from '../../ui/figures-table.tsx';
import { Note } from '../../ui/note.tsx';

/** Indications of an ohmmeter at a part: out of circuit, in circuit, and with the supply on. */
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
  const conditions = `Test current ${formatQuantity(taken.range.testCurrent, 'A', { digits: 3, trim: true })}${leads > 0 ? `, leads ${formatQuantity(leads, 'Ω', { digits: 3, trim: true })}` : ''}`;
  const readings = ohmmeterAt(unloaded, part.id, taken.range, leads);
  if (!readings) return null;
  return (
    <section aria-label={`Ohmmeter at ${part.id}`} className="flex flex-col gap-1">
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
        label={`Ohmmeter readings at ${part.id}`}
        head={[conditions, 'Display', 'Error of the part']}
        rows={ohmmeterRows(readings, taken.kept, taken.range).map(({ name, display, error }) => ({
          key: name,
          cells: [name, display ?? '–', error === null ? '' : formatPercent(error, { signed: true, digits: 3 })],
        }))}
      />
      <Note kind={Math.abs(readings.voltage ?? 0) > 0 ? 'hazard' : 'limit'}>
        Measure with the supply off, proved dead, one end lifted.
        {readings.voltage
          ? ` With it on, ${formatQuantity(Math.abs(readings.voltage), 'V', { digits: 3 })} across ${part.id} can damage it.`
          : ''}
      </Note>
    </section>
  );
}
