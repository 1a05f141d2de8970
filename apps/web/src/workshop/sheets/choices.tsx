import { alternativesFor, type Combination } from '@usual-drag/core/workshop';
import { useMemo } from 'react';
import { FiguresTable } from '../../ui/figures-table.tsx';
import { ohms, partsText, sectionsOf, smallPercent } from '../words.ts';
import type { SheetProps } from './sheet-props.ts';

/** Ways to make each section: one resistor, two, three, or one with a trimmer. */
export function Choices({ project, sides }: Omit<SheetProps, 'onEdit'>) {
  const rows = useMemo(
    () =>
      sectionsOf(sides).map(({ section, name }) => {
        const { resistance } = section;
        const { upTo, trimmed } = alternativesFor(project, section);
        const cell = (found: Combination | null) => (
          <span className="block leading-tight">
            {found ? partsText(found) : '—'}
            {found && <span className="block text-soft">{smallPercent(found.resistance / resistance - 1)}</span>}
          </span>
        );
        return {
          key: name,
          cells: [
            <>
              {name} <span className="figures font-normal">{ohms(resistance)}</span>
            </>,
            ...upTo.map(cell),
            trimmed ? (
              <span key="trimmed" className="block leading-tight">
                {ohms(trimmed.fixed)} {trimmed.arranged === 'in-series' ? '+' : '∥'}{' '}
                {trimmed.stopper > 0 ? `(${ohms(trimmed.stopper)} + ${ohms(trimmed.trimmer)})` : ohms(trimmed.trimmer)}
                <span className="block text-soft">
                  {smallPercent(trimmed.surely[0] / resistance - 1)} …{' '}
                  {smallPercent(trimmed.surely[1] / resistance - 1)}
                </span>
              </span>
            ) : (
              '—'
            ),
          ],
        };
      }),
    [project, sides],
  );
  return (
    <section aria-label="Choices" className="flex flex-col gap-2">
      <h2 className="text-[17px] font-bold">Each section by itself</h2>
      <FiguresTable
        label="Choices for each section"
        head={['Section', 'Nearest one', 'Up to two', 'Up to three', 'With a trimmer, its span']}
        rows={rows}
      />
    </section>
  );
}
