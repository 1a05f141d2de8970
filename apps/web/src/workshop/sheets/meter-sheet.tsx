import { formatQuantity } from '@usual-drag/core/quantity';
import {
  designCautions,
  movementCheck,
  sectionName,
  sectionWords,
  trimmedSection,
  trimmerCover,
  type WorkedSide,
  type MeterProject,
} from '@usual-drag/core/workshop';
import { useMemo } from 'react';
import { FiguresTable } from '../../ui/figures-table.tsx';
import { Note } from '../../ui/note.tsx';
import { ohms, partsText, rangeText, smallPercent } from '../words.ts';
import { MeterDrawing } from '../meter-drawing.tsx';
import { SchemeComparison } from '../scheme-comparison.tsx';
import type { SheetProps } from './sheet-props.ts';

/** Relative deviation that is rounding of a double. */
const rounding = 1e-15;

/** Design: every range, every section with its parts, the check, the cautions, the drawing. */
export function MeterSheet({ project, sides }: SheetProps) {
  return (
    <div className="flex flex-col gap-5">
      {sides.map((side) => (
        <SideFigures key={side.design.target} project={project} side={side} both={sides.length > 1} />
      ))}
      <MeterDrawing title={project.title ?? 'Meter'} sides={sides} />
      {sides.map((side) => (
        <SchemeComparison key={side.design.target} design={side.design} movement={side.movement} />
      ))}
    </div>
  );
}

function SideFigures({
  project,
  side,
  both,
}: {
  readonly project: MeterProject;
  readonly side: WorkedSide;
  readonly both: boolean;
}) {
  const { design, movement, result } = side;
  const ammeter = design.target === 'ammeter';
  const fuse = project.fuse?.resistance ?? 0;
  const words = sectionWords(design, movement, result);
  const check = useMemo(() => {
    const ranges = result.ranges.map(({ range }) => range);
    const exact = result.sections.map(({ resistance }) => resistance);
    const off = movementCheck(design, movement, ranges, exact);
    return off.ok ? Math.max(...off.value.map(Math.abs)) : null;
  }, [design, movement, result]);
  return (
    <section aria-label={ammeter ? 'As an ammeter' : 'As a voltmeter'} className="flex flex-col gap-3">
      {both && <h2 className="text-[17px] font-bold">{ammeter ? 'As an ammeter' : 'As a voltmeter'}</h2>}
      <FiguresTable
        label={`Ranges of the ${design.target}`}
        head={[
          'Range',
          ammeter ? 'Shunt' : 'Multiplier',
          'Meter',
          ammeter ? 'Burden' : 'Ω for 1 V',
          'Power',
          'As built',
          'Worst case',
        ]}
        rows={result.ranges.map((range, k) => {
          const { fullScaleError, worstCase } = result.asBuilt[k]!;
          return {
            key: String(range.range),
            cells: [
              rangeText(side, range.range),
              formatQuantity(range.resistance, 'Ω', { digits: 5 }),
              formatQuantity(range.meterResistance + fuse, 'Ω', { digits: 5 }),
              ammeter
                ? formatQuantity(range.burden! + fuse * range.range, 'V', { digits: 4 })
                : formatQuantity(range.sensitivity, 'Ω', { digits: 4, trim: true }),
              formatQuantity(range.power, 'W', { digits: 3 }),
              project.parts.trimmed ? 'set' : smallPercent(fullScaleError),
              project.parts.trimmed ? 'set' : `${smallPercent(worstCase[0])} … ${smallPercent(worstCase[1])}`,
            ],
          };
        })}
      />
      <ol aria-label={`Sections of the ${design.target}`} className="flex flex-col gap-1.5">
        {result.sections.map(({ resistance, power, parts }, index) => {
          const trimmed = project.parts.trimmed
            ? trimmedSection(resistance, project.parts.series, project.parts.tolerance, trimmerCover(project))
            : null;
          return (
            <li key={index} className="rounded-lg border border-line px-3 py-1.5">
              <span className="flex flex-wrap items-baseline justify-between gap-x-4">
                <span>
                  <b>{sectionName(design.target, index)}</b> <span className="text-soft">{words[index]!.name}</span>
                </span>
                <span className="figures">
                  {words[index]!.formula} = <b>{formatQuantity(resistance, 'Ω', { digits: 5 })}</b>
                </span>
              </span>
              <span className="flex flex-wrap items-baseline justify-between gap-x-4">
                {trimmed ? (
                  <span>
                    fit <b className="figures">{ohms(trimmed.fixed)}</b>{' '}
                    {trimmed.arranged === 'in-series' ? 'and in series a trimmer of' : 'and across it'}{' '}
                    {trimmed.stopper > 0 && <b className="figures">{ohms(trimmed.stopper)} + trimmer </b>}
                    <b className="figures">{ohms(trimmed.trimmer)}</b>, set to {ohms(resistance)}
                  </span>
                ) : (
                  <span>
                    fit <b className="figures">{partsText(parts)}</b>
                    {parts.joined !== 'single' && (
                      <span className="figures"> = {formatQuantity(parts.resistance, 'Ω', { digits: 5 })}</span>
                    )}
                  </span>
                )}
                <span className="figures text-soft">
                  {trimmed
                    ? `reaches ${ohms(trimmed.surely[0], 4)} to ${ohms(trimmed.surely[1], 4)}`
                    : smallPercent(parts.resistance / resistance - 1)}{' '}
                  · {formatQuantity(power, 'W', { digits: 3 })}
                </span>
              </span>
            </li>
          );
        })}
      </ol>
      {check !== null && (
        <p className="text-[14px] text-good">
          ✓ Solved as a network, the movement is at full scale on every range
          {check > rounding ? ` (maximum deviation ${check.toExponential(0)})` : ''}.
        </p>
      )}
      {designCautions(project, side).map(({ kind, message }) => (
        <Note key={message} kind={kind}>
          {message}
        </Note>
      ))}
    </section>
  );
}
