import { changesPart, replacesTolerance, withFault, type CircuitHypothesis } from '../../faults/index.ts';
import { isToleranced, spanOf, type Network } from '../../network/index.ts';
import type { ResistanceReading } from '../../readings/index.ts';

/** Resistance of a part out of circuit, and what its tolerance makes of that. Ω. */
export interface IsolatedPart {
  /** Infinity if the part is open. */
  readonly resistance: number;
  /** Limit of the tolerance either way; 0 if the value is known or fitted. */
  readonly span: number;
}

/**
 * Returns the resistance that a reading of a part out of circuit should record.
 *
 * A fault-free part counts with its nominal value; with its measured value if the job uses these, unless the measured value
 * was taken from this very reading.
 *
 * @param value  value of the reading, Ω
 * @param fault  fault of the circuit that is assumed; none if omitted
 */
export function isolatedPart(
  network: Network,
  { element }: ResistanceReading,
  value: number,
  fault?: CircuitHypothesis,
): IsolatedPart {
  const isChanged = fault !== undefined && changesPart(fault) && fault.where.includes(element);
  const changed = isChanged ? withFault({ network, instruments: [] }, fault).network : network;
  const part = changed.elements.find(({ id }) => id === element);
  if (part?.kind === 'link') return { resistance: 0, span: 0 };
  if (part?.kind !== 'resistor') return { resistance: Infinity, span: 0 };
  if (isChanged && replacesTolerance(fault)) return { resistance: part.resistance, span: 0 };
  const nominal = { ...changed, values: 'nominal' } as const;
  const measured = changed.values === 'measured' ? part.measuredResistance : undefined;
  if (measured !== undefined && !isSameValue(measured, value)) return { resistance: measured, span: 0 };
  return { resistance: part.resistance, span: isToleranced(nominal, part) ? spanOf(part) : 0 };
}

/** Relative difference up to which a measured value counts as copied from a reading: that of a rounded decimal text. */
const copied = 1e-9;

const isSameValue = (a: number, b: number): boolean => Math.abs(a - b) <= copied * Math.abs(a);
