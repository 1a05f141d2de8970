import type { Meter, Setup } from '../loading/index.ts';
import type { CircuitReading, Reading } from './reading.ts';

/** A reading's own meter, then those alongside, as a set-up. */
export const setupOf = (reading: CircuitReading): Setup => ({
  id: 'reading',
  meters: [meterOf(reading), ...alongsideOf(reading)],
});

/** A reading's own meter as one of a set-up, under a name that no meter alongside has. */
function meterOf(reading: CircuitReading): Meter {
  const { instrument, range } = reading;
  const placed = { id: ownMeter, instrument, range };
  if (reading.quantity === 'dc-voltage')
    return { ...placed, quantity: 'dc-voltage', red: reading.red, black: reading.black };
  const { node, ends, reversed = false } = reading;
  return { ...placed, quantity: 'dc-current', node, ends, reversed };
}

/** Name of a reading's own meter in its set-up. */
export const ownMeter = 'own';

/** The meters alongside, under names of their own. */
const alongsideOf = ({ alongside = [] }: Reading): Meter[] =>
  alongside.map((meter, index) => ({ ...meter, id: `alongside-${index + 1}` }));
