import { formatPercent, formatQuantity } from '@usual-drag/core/quantity';
import {
  movementInUse,
  standardDrops,
  standardShunt,
  type WorkedSide,
  type MeterProject,
} from '@usual-drag/core/workshop';
import { useState } from 'react';
import { FiguresTable } from '../../ui/figures-table.tsx';
import { inUnit, numberField } from '../../ui/number-field.ts';
import { ValueField } from '../../ui/value-field.tsx';

/** The movement scaled to a standard shunt of one of the usual drops, instead of a shunt of one's own. */
export function StandardShunts({
  project,
  sides,
}: {
  readonly project: MeterProject;
  readonly sides: readonly WorkedSide[];
}) {
  const highest = Math.max(
    ...sides.filter(({ design }) => design.target === 'ammeter').flatMap(({ design }) => design.ranges),
  );
  const [chosen, setChosen] = useState<{ readonly rated?: number; readonly leads: number }>({ leads: 0.05 });
  const movement = movementInUse(project.movement);
  if (!movement.ok) return null;
  const rated = chosen.rated ?? highest;
  const fields = [
    numberField(chosen, 'rated', { label: 'Rated current', limit: 'positive', ...inUnit('A') }),
    numberField(chosen, 'leads', { label: 'Sensing leads', limit: 'not-negative', needed: true, ...inUnit('Ω') }),
  ];
  return (
    <section aria-label="Standard shunt" className="flex flex-col gap-2">
      <div className="flex flex-wrap items-end gap-3">
        <h2 className="pb-1.5 text-[17px] font-bold">Standard shunt</h2>
        {fields.map((field) => (
          <ValueField
            key={field.key}
            label={field.label}
            showLabel
            className="w-28"
            placeholder={inUnit('A').print(highest)}
            shown={field.shown}
            read={field.read}
            onCommit={(value) => setChosen(field.put(value))}
          />
        ))}
      </div>
      <FiguresTable
        label="Standard shunts"
        head={['Drop', 'Shunt', 'In series with the movement', 'Power', 'Error without the movement’s current']}
        rows={standardDrops.map((drop) => {
          const made = standardShunt(movement.value, rated, drop, chosen.leads);
          const name = formatQuantity(drop, 'V', { digits: 3, trim: true });
          if (!made.ok) return { key: name, cells: [name, 'the movement carries more', '—', '—', '—'] };
          const { shunt, series, power, forgotten } = made.value;
          return {
            key: name,
            cells: [
              name,
              formatQuantity(shunt, 'Ω', { digits: 4, trim: true }),
              formatQuantity(series, 'Ω', { digits: 5 }),
              formatQuantity(power, 'W', { digits: 3 }),
              formatPercent(forgotten, { signed: true, digits: 2 }),
            ],
          };
        })}
      />
    </section>
  );
}
