import type { Instrument, Range } from './instrument.ts';

/** State of a meter's display: readable (`ok`), or the reason why it cannot be read. */
export type MeterState = 'ok' | 'over-range' | 'reversed' | 'undetermined' | 'floating' | 'fuse-blown';

/**
 * Returns the state of a display for a value at the meter's terminals: a needle is reversed below zero, and any display is over range
 * beyond full scale.
 *
 * @param indicated  V, A or Ω
 */
export function displayState(
  { display }: Pick<Instrument, 'display'>,
  { fullScale }: Pick<Range, 'fullScale'>,
  indicated: number,
): 'ok' | 'over-range' | 'reversed' {
  if (display === 'analogue' && indicated < 0) return 'reversed';
  return Math.abs(indicated) > fullScale ? 'over-range' : 'ok';
}
