import { changeRanges, findRange, type Instrument, type MeterQuantity, type Range } from '../instrument/index.ts';
import type { CorrectedValue } from '../loading/index.ts';
import { isToleranced, spanOf, type Network } from '../network/index.ts';

/** A circuit with its instruments, as a correction needs them. */
export interface CorrectedBench {
  readonly network: Network;
  readonly instruments: readonly Instrument[];
}

/** A range of an instrument on which a meter is connected. */
export interface MeterRange {
  readonly instrument: string;
  readonly quantity: MeterQuantity;
  readonly range: string;
}

/** A corrected value as a function of its circuit: computed again with other tolerances and resistances. */
export interface Correction {
  readonly bench: CorrectedBench;
  /** Range of each meter that is connected, by its name in the budget: `meter`, `meter:ID`. */
  readonly meters: Readonly<Record<string, MeterRange>>;
  /** Returns null if the reading does not determine the value in this circuit. */
  correct(bench: CorrectedBench): CorrectedValue | null;
}

/** A resistance with a tolerance, by its name in the budget, Ω. */
export interface UncertainResistance {
  readonly of: string;
  readonly value: number;
  /** It is between value ± limit. */
  readonly limit: number;
}

/** Returns the resistances of a correction that have a tolerance: those of the parts, then those of the meters. */
export const uncertainResistances = ({
  bench: { network, instruments },
  meters,
}: Correction): UncertainResistance[] => [
  ...network.elements.flatMap((part) =>
    isToleranced(network, part) ? [{ of: part.id, value: part.resistance, limit: spanOf(part) }] : [],
  ),
  ...Object.entries(meters).flatMap(([of, { instrument, quantity, range }]) => {
    const own = instruments.find(({ id }) => id === instrument);
    const { resistance = 0, resistanceTolerance = 0 } = (own && findRange(own, quantity, range)) ?? {};
    return resistanceTolerance > 0 ? [{ of, value: resistance, limit: resistance * resistanceTolerance }] : [];
  }),
];

/** Returns the instruments with some keys of one range changed. */
export const changedRange = (
  instruments: readonly Instrument[],
  { instrument, quantity, range }: MeterRange,
  change: Partial<Range>,
): Instrument[] =>
  instruments.map((one) =>
    one.id !== instrument
      ? one
      : changeRanges(one, (own, of) => (of === quantity && own.id === range ? { ...own, ...change } : own)),
  );
