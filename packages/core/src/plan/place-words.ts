import type { Reading } from '../readings/index.ts';
import type { ReadStep } from './plan.ts';

/** Returns the place of a reading, in a few words. */
export function placeOf(at: ReadStep | Reading): string {
  switch (at.quantity) {
    case 'dc-voltage':
      return `Voltage ${at.red} to ${at.black}${at.unloaded === undefined ? '' : ', unloaded'}`;
    case 'dc-current':
      return `Current at ${at.node} into ${namesOf(at.ends)}`;
    case 'resistance':
      return `Resistance of ${at.element}`;
  }
}

/** `R3` for `R3.from`. */
export const namesOf = (ends: readonly string[]): string =>
  ends.map((end) => end.replace(/\.(from|to)$/, '')).join(', ');
