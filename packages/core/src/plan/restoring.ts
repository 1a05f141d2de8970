import type { Reading } from '../readings/index.ts';
import { namesOf } from './place-words.ts';

/** Returns the tasks after the last reading, with each break of the circuit by its place. */
export function restoringChecks(readings: readonly Reading[]): string[] {
  const breaks = readings.flatMap((reading) =>
    reading.quantity === 'dc-current' ? [`Break closed: ${namesOf(reading.ends)} joined to ${reading.node} again`] : [],
  );
  return [
    'Supply off',
    'Leads out of the circuit, back in the voltage jacks',
    ...(breaks.length > 0 ? new Set(breaks) : ['Every break closed']),
    'Board stripped, parts sorted',
    'Bench as found',
  ];
}
