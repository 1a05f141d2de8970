import {
  formatPercent,
  formatQuantity,
  movementInUse,
  standardDrops,
  standardShunt,
  type WorkedSide,
  type MeterProject,
} from '@usual-drag/core';
import { useState } from 'react';
import { FiguresTable } from '../../ui/figures-table.tsx';
import { NumberEntry } from '../../ui/number-entry.tsx';
import { inUnit } from '../../ui/number-field.ts';

/** The movement scaled to a bought shunt of one of the usual drops, instead of a shunt of one's own. */
export function BoughtShunts({
  project,
  sides,
}: {
  readonly project: MeterProject;
  readonly sides: readonly WorkedSide[];
}) {
  const highest = Math.max(
    ...sides.filter(({ design }) => design.target === 'ammeter').flatMap(({ design }) => design.ranges),
  );
  const [bought, setBought] = useState<{ readonly rated?: number; readonly leads: number }>({ leads: 0.05 });
  const movement = movementInUse(project.movement);
  if (!movement.ok) return null;
  const rated = bought.rated ?? highest;
  return (
    <section aria-label="With a bought shunt" className="flex flex-col gap-2">
      <div className="flex flex-wrap items-end gap-3">
        <h2 className="pb-1.5 text-[17px] font-bold">Or with a bought shunt</h2>
        <NumberEntry
          of={bought}
          name="rated"
          label="Rated current"
          writing={inUnit('A')}
          className="w-28"
          placeholder={inUnit('A').print(highest)}
          onChange={setBought}
        />
        <NumberEntry
          of={bought}
          name="leads"
          label="Sensing leads"
          writing={inUnit('Ω')}
          limit="not-negative"
          needed
          className="w-28"
          onChange={setBought}
        />
      </div>
      <FiguresTable
        label="Bought shunts"
        head={['Drop', 'Shunt', 'In series with the movement', 'Power', 'Movement’s own current forgotten']}
        rows={standardDrops.map((drop) => {
          const made = standardShunt(movement.value, rated, drop, bought.leads);
          const name = formatQuantity(drop, 'V', { digits: 3, trim: true });
          if (!made.ok) return { key: name, cells: [name, 'the movement takes more', '—', '—', '—'] };
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
