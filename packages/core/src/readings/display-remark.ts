import { findRange, type Instrument } from '../instrument/index.ts';
import { observedNumber } from './observed-value.ts';
import type { Observation, Reading } from './reading.ts';

/** Relative rounding of a decimal text, as a share of full scale or of a step. */
const rounding = 1e-6;

/**
 * Returns why a range cannot display a typed value: it is above full scale, or has more digits than the range.
 *
 * @param at  measurement point, instrument and range, with the scale that a needle is read from if it is another
 * @returns a sentence to be read before the observation is kept; null if the range can display it
 */
export function displayRemark(
  at: Pick<Reading, 'quantity' | 'range' | 'scale'>,
  instrument: Instrument | undefined,
  observation: Observation,
): string | null {
  const range = instrument && findRange(instrument, at.quantity, at.scale ?? at.range);
  const value = observedNumber(observation);
  if (!range || value === null) return null;
  const typed = `${observation.shown}\u00a0${observation.unit}`;
  if (Math.abs(value) > range.fullScale * (1 + rounding))
    return `The ${range.id} range cannot display ${typed}, which is above its full scale. Check the range and the prefix.`;
  if (instrument.display === 'analogue' || range.resolution === undefined) return null;
  const steps = Math.abs(value) / range.resolution;
  return Math.abs(steps - Math.round(steps)) > rounding * Math.max(1, steps)
    ? `The ${range.id} range cannot display ${typed}, which has more digits than it. Check the range and the digits.`
    : null;
}
