import type { MeterState } from '../instrument/index.ts';
import type { MeterReading } from './solve-setup.ts';

/** Words for a state in which a display cannot be read; empty for one that can. */
export const meterStateWords: Readonly<Record<MeterState, string>> = {
  ok: '',
  'over-range': 'over range',
  reversed: 'reversed',
  'fuse-blown': 'fuse blown',
  floating: 'no circuit between the leads',
  undetermined: 'undetermined',
};

/** Returns what can be read on a meter: the number with its unit, or the state that keeps it from being read. */
export const displayText = ({ state, display, unit }: Pick<MeterReading, 'state' | 'display' | 'unit'>): string =>
  state === 'ok' && display !== null ? `${display}\u00a0${unit}` : meterStateWords[state];

/**
 * Returns the relative error of a display; null if the display cannot be read or the true value is 0: there is then nothing
 * that it would be a percentage of.
 */
export const readableError = ({ state, relativeError }: MeterReading): number | null =>
  state === 'ok' ? relativeError : null;
