import { formatPercent, formatQuantity, ohms } from '@usual-drag/core/quantity';
import { loadingShare } from '@usual-drag/core/loading';
import { FiguresTable } from '../ui/figures-table.tsx';
import type { Subject } from './subject.ts';

/** A usual movement to reckon with. */
const movement = { current: 50e-6, resistance: 2000 };

const movementWords = `Movement: ${formatQuantity(movement.current, 'A', { digits: 3, trim: true })}, ${ohms(movement.resistance)}.`;

/** The next round range above a value. */
const rangeAbove = (value: number): number => {
  const decade = 10 ** Math.floor(Math.log10(Math.abs(value)));
  return [1, 2.5, 5, 10].map((step) => step * decade).find((range) => range >= Math.abs(value))!;
};

/** Shunts that would make an ammeter for the job's current, and what it would do there. */
export function Shunt({ subject: { ammeter } }: { readonly subject: Subject }) {
  const { point, meter, setup } = ammeter;
  const first = Math.max(rangeAbove(point.ideal ?? 0), 2.5 * movement.current);
  return (
    <>
      <p>
        {movementWords} In place of {meter.id} of {setup.id}:
      </p>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Shunts">
        <FiguresTable
          scrolls
          label="Shunts for this movement"
          head={['Range', 'Shunt', 'Burden voltage', 'Meter resistance', 'Insertion error']}
          rows={[first, 10 * first, 100 * first].map((range) => {
            const burden = movement.current * movement.resistance;
            return {
              key: String(range),
              cells: [
                formatQuantity(range, 'A', { digits: 3, trim: true }),
                ohms(burden / (range - movement.current)),
                formatQuantity(burden, 'V', { digits: 3, trim: true }),
                ohms(burden / range),
                formatPercent(-loadingShare(point.sourceResistance, burden / range, 'dc-current'), { digits: 3 }),
              ],
            };
          })}
        />
      </div>
    </>
  );
}

/** Multipliers that would make a voltmeter for the job's voltage, and what it would do there. */
export function Multiplier({ subject: { voltmeter } }: { readonly subject: Subject }) {
  const { point, meter, setup } = voltmeter;
  const first = rangeAbove(point.ideal ?? 0);
  return (
    <>
      <p>
        {movementWords} {ohms(1 / movement.current)}/V. In place of {meter.id} of {setup.id}:
      </p>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Multipliers">
        <FiguresTable
          scrolls
          label="Multipliers for this movement"
          head={['Range', 'Multiplier', 'Power in it', 'Input resistance', 'Loading error']}
          rows={[first, 4 * first, 10 * first].map((range) => {
            const input = range / movement.current;
            const multiplier = input - movement.resistance;
            return {
              key: String(range),
              cells: [
                formatQuantity(range, 'V', { digits: 3, trim: true }),
                ohms(multiplier),
                formatQuantity(movement.current ** 2 * multiplier, 'W', { digits: 3 }),
                ohms(input),
                formatPercent(-loadingShare(point.sourceResistance, input, 'dc-voltage'), { digits: 3 }),
              ],
            };
          })}
        />
      </div>
    </>
  );
}
