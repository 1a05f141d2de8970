import { findRange, type Instrument, type MeterQuantity } from '../instrument/index.ts';
import {
  correctDisplay,
  measurementPointOf,
  setupFaults,
  solveUnloaded,
  type Meter,
  type Setup,
} from '../loading/index.ts';
import type { Network } from '../network/index.ts';
import type { Correction } from '../uncertainty/index.ts';
import { correctedReading } from './corrected-reading.ts';
import { observedValue } from './observed-value.ts';
import type { Conventions, Reading } from './reading.ts';
import { setupOf } from './setup-of.ts';

/** A corrected value as data: that of a reading of a job, or of a display of a meter in a set-up. */
export type CorrectionQuestion = {
  readonly network: Network;
  readonly instruments: readonly Instrument[];
} & (
  | { readonly of: 'reading'; readonly reading: Reading; readonly conventions: Conventions }
  | {
      readonly of: 'display';
      readonly setup: Setup;
      /** Id of the meter that is corrected. */
      readonly meter: string;
      /** V or A. */
      readonly display: number;
    }
);

/** Returns the correction of a question, to be computed for this circuit and for others. */
export function correctionOf(question: CorrectionQuestion): Correction {
  const { network, instruments } = question;
  const bench = { network, instruments };
  if (question.of === 'reading') {
    const { reading, conventions } = question;
    return {
      bench,
      meters:
        reading.quantity === 'resistance'
          ? {}
          : metersOf(setupOf(reading).meters, ['meter', ...(reading.alongside ?? []).map(nameOfOther)]),
      correct: (at) => {
        const unloaded = solveUnloaded(at.network);
        const instrument = at.instruments.find(({ id }) => id === reading.instrument);
        const observed = observedValue(reading, instrument, conventions.observations);
        return unloaded.ok ? correctedReading(unloaded.value, at.instruments, reading, observed) : null;
      },
    };
  }
  const { setup, meter: id, display } = question;
  const meter = setup.meters.find((one) => one.id === id)!;
  return {
    bench,
    meters: metersOf(
      setup.meters,
      setup.meters.map((one) => (one === meter ? 'meter' : nameOfOther(one))),
    ),
    correct: (at) => {
      const unloaded = solveUnloaded(at.network);
      const instrument = at.instruments.find((one) => one.id === meter.instrument);
      const range = instrument && findRange(instrument, meter.quantity, meter.range);
      if (!unloaded.ok || !range || setupFaults(at.network, at.instruments, setup).length > 0) return null;
      const point = measurementPointOf(unloaded.value, at.instruments, setup, id);
      const corrected = point.ok ? correctDisplay(instrument, range, display, point.value.correctionOn) : null;
      return corrected?.ok ? corrected.value : null;
    },
  };
}

const nameOfOther = ({ id }: { readonly id: string }): string => `meter:${id}`;

/** Ranges of meters by their names in a budget: `meter` for the one that is corrected, `meter:ID` for the others. */
const metersOf = (meters: readonly Meter[], names: readonly string[]): Correction['meters'] =>
  Object.fromEntries(meters.map(({ instrument, quantity, range }, k) => [names[k]!, { instrument, quantity, range }]));

/**
 * Returns the question of a source with a known resistance, as a circuit of a source, this resistance and the meter.
 *
 * @param sourceResistance  Ω
 * @param tolerance         limit of the source resistance, as a ratio
 * @param display           V or A
 */
export function sourceQuestion(
  quantity: MeterQuantity,
  sourceResistance: number,
  tolerance: number,
  instrument: Instrument,
  range: string,
  display: number,
): CorrectionQuestion {
  const at = { id: 'meter', instrument: instrument.id, range };
  const meter: Meter =
    quantity === 'dc-voltage'
      ? { ...at, quantity, red: 'B', black: '0' }
      : { ...at, quantity, node: 'B', ends: ['W1.from'] };
  return {
    of: 'display',
    network: {
      elements: [
        { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 1 },
        { id: 'source', kind: 'resistor', from: 'A', to: 'B', resistance: sourceResistance, tolerance },
        ...(quantity === 'dc-current' ? [{ id: 'W1', kind: 'link', from: 'B', to: '0' } as const] : []),
      ],
    },
    instruments: [instrument],
    setup: { id: 'source', meters: [meter] },
    meter: 'meter',
    display,
  };
}
