import { formatQuantity } from '@usual-drag/core/quantity';
import { assemblySteps, checkPoints, partsList, selectorPositions, type PartsLine } from '@usual-drag/core/workshop';
import { rowsFromCheckPoints, rowsFromPartsList } from '@usual-drag/core/job';
import { Printer, Table } from 'lucide-react';
import { csvText } from '../../ui/csv.ts';
import { Button } from '../../ui/button.tsx';
import { FiguresTable } from '../../ui/figures-table.tsx';
import { inPercent } from '../../ui/number-field.ts';
import { saveText } from '../../ui/save-file.ts';
import { Dial } from '../dial.tsx';
import { ohms, rangeText, unitOfSide } from '../words.ts';
import type { SheetProps } from './sheet-props.ts';

/** Documents for the bench: parts, order of assembly, selector, check points, scale. */
export function BuildSheet({ project, sides, onEdit }: SheetProps) {
  const lines = partsList(project, sides);
  const points = sides.flatMap((side) => checkPoints(project, side).map((point) => ({ ...point, side })));
  const positions = selectorPositions(sides);
  const saveParts = (): void => saveText(csvText(rowsFromPartsList(lines)), 'meter-parts.csv', 'text/csv');
  const savePoints = (): void => saveText(csvText(rowsFromCheckPoints(points)), 'check-points.csv', 'text/csv');
  return (
    <div className="flex flex-col gap-6">
      <div className="flex flex-wrap gap-2 print:hidden">
        <Button onClick={() => window.print()}>
          <Printer aria-hidden size={16} /> Print this sheet
        </Button>
        <Button onClick={saveParts}>
          <Table aria-hidden size={16} /> Parts list, CSV
        </Button>
        <Button onClick={savePoints}>
          <Table aria-hidden size={16} /> Check points, CSV
        </Button>
      </div>
      <section aria-label="Parts list">
        <h2 className="mb-1 text-[17px] font-bold">Layout</h2>
        <FiguresTable
          label="Parts list"
          head={['For', 'What', 'Value', 'Pieces', 'Tolerance', 'Rating', 'Joined']}
          rows={lines.map((line, index) => ({ key: String(index), cells: cellsOf(line) }))}
        />
      </section>
      <section aria-label="Assembly">
        <h2 className="mb-1 text-[17px] font-bold">Assembly</h2>
        <ol className="flex max-w-3xl list-decimal flex-col gap-1 pl-7 text-[15px]">
          {assemblySteps(project, sides).map((step) => (
            <li key={step}>{step}</li>
          ))}
        </ol>
      </section>
      {positions.length > 2 && (
        <section aria-label="Selector">
          <h2 className="mb-1 text-[17px] font-bold">Selector</h2>
          <table aria-label="Selector" className="w-full max-w-3xl border-collapse text-[14px]">
            <thead className="text-left text-[13px] text-soft">
              <tr className="border-b border-line">
                <th scope="col" className="w-28 px-1.5 py-1 font-medium">
                  Position
                </th>
                <th scope="col" className="px-1.5 py-1 font-medium">
                  Joins
                </th>
              </tr>
            </thead>
            <tbody>
              {positions.map(({ name, joins }) => (
                <tr key={name} className="border-b border-line/60">
                  <th scope="row" className="px-1.5 py-0.5 text-left">
                    {name}
                  </th>
                  <td className="px-1.5 py-0.5">{joins}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      )}
      <section aria-label="Check points">
        <h2 className="mb-1 text-[17px] font-bold">Check against a standard</h2>
        <FiguresTable
          label="Check points"
          head={['Range', 'Apply', 'Needle at', 'Divisions', 'Error allowed', 'Found']}
          rows={points.map(({ side, range, applied, reading, deflection, tolerance }) => ({
            key: `${side.design.target} ${range} ${applied}`,
            cells: [
              rangeText(side, range),
              formatQuantity(applied, unitOfSide(side), { digits: 4, trim: true }),
              String(Number(reading.toPrecision(6))),
              String(Number(deflection.toPrecision(6))),
              `± ${tolerance.toFixed(2)} div`,
              <span key="found" className="inline-block w-24 border-b border-dotted border-soft">
                &nbsp;
              </span>,
            ],
          }))}
        />
      </section>
      <Dial project={project} onEdit={onEdit} />
    </div>
  );
}

const cellsOf = ({ section, what, resistance, count, tolerance, powerRating, joined }: PartsLine) => [
  section,
  what,
  resistance === null ? '' : ohms(resistance),
  count,
  tolerance === null ? '' : inPercent.print(tolerance),
  powerRating === null ? '' : formatQuantity(powerRating, 'W', { digits: 3, trim: true }),
  joined === 'single' ? '' : joined === 'parallel' ? 'in parallel' : joined.replace('-', ' '),
];
