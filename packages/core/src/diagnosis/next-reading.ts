import type { Instrument } from '../instrument/index.ts';
import type { Network } from '../network/index.ts';
import type { Hypothesis } from './fault.ts';

/** A reading that would tell hypotheses apart. */
export interface NextReading {
  readonly quantity: 'dc-voltage';
  readonly red: string;
  readonly black: string;
  /** How many of the leading groups it would tell from the first. */
  readonly separates: number;
}

export function nextReading(
  _network: Network,
  _instruments: readonly Instrument[],
  _leaders: readonly Hypothesis[],
): NextReading | null {
  return null;
}
