import type { Reading } from '../readings/index.ts';
import type { Plan, ReadStep } from './plan.ts';

/** The readings that were taken at the place of a step or of another reading, struck ones left out, the newest last. */
export const readingsAt = (readings: readonly Reading[], place: ReadStep | Reading): Reading[] =>
  readings.filter((reading) => reading.struck === undefined && isAt(reading, place));

function isAt(reading: Reading, step: ReadStep | Reading): boolean {
  switch (step.quantity) {
    case 'dc-voltage':
      return (
        reading.quantity === 'dc-voltage' &&
        reading.unloaded === step.unloaded &&
        [reading.red, reading.black].sort().join(' ') === [step.red, step.black].sort().join(' ')
      );
    case 'dc-current':
      return (
        reading.quantity === 'dc-current' &&
        reading.node === step.node &&
        [...reading.ends].sort().join(' ') === [...step.ends].sort().join(' ')
      );
    case 'resistance':
      return reading.quantity === 'resistance' && reading.element === step.element;
  }
}

/** Returns the number of a plan's read steps, and of those that have been read. */
export function countRead(plan: Plan, readings: readonly Reading[]): { readonly read: number; readonly of: number } {
  const steps = plan.steps.filter((step) => step.do === 'read');
  return { read: steps.filter((step) => readingsAt(readings, step).length > 0).length, of: steps.length };
}
