import type { Reading } from '../readings/index.ts';
import { openTerminal } from './open-terminal.ts';
import type { ReadStep } from './plan.ts';

/** Where a reading is taken, in a few words. */
export function placeOf(at: ReadStep | Reading): string {
  switch (at.quantity) {
    case 'dc-voltage':
      return isOpen(at.red) || isOpen(at.black)
        ? `Voltage ${plainNode(at.red)} to ${plainNode(at.black)}, unloaded`
        : `Voltage ${at.red} to ${at.black}`;
    case 'dc-current':
      return `Current at ${at.node} into ${namesOf(at.ends)}`;
    case 'resistance':
      return `Resistance of ${at.element}`;
  }
}

const isOpen = (node: string): boolean => node.endsWith(openTerminal(''));

/** A node's name, that of a terminal left open without what says so. */
export const plainNode = (node: string): string => (isOpen(node) ? node.slice(0, -openTerminal('').length) : node);

/** `R3` for `R3.from`. */
export const namesOf = (ends: readonly string[]): string =>
  ends.map((end) => end.replace(/\.(from|to)$/, '')).join(', ');
