import { changeRanges, type Instrument, type MeterQuantity } from '../../instrument/index.ts';
import { plainNumber } from '../../quantity/index.ts';
import type { CircuitFaultKind, FaultOf } from '../fault-kind.ts';

/** An instrument whose resistance differs by a factor on all ranges of a quantity. */
export type Meter = FaultOf<'meter', { readonly quantity: MeterQuantity; readonly factor: number }>;

/** An instrument has another input resistance, or another burden, than the kit has. */
export const meter: CircuitFaultKind<Meter> = {
  of: 'circuit',
  changesPart: false,
  replacesTolerance: false,
  possible: () => [],
  tryable: () => [],
  apply: ({ network, instruments }, { where: [id], value }) => ({
    network,
    instruments: instruments.map((one) => (one.id === id ? scaled(one, value) : one)),
  }),
  sentence: ({ where: [id], value: { quantity, factor } }) =>
    `The resistance of ${id} on ${quantity === 'dc-current' ? 'current' : 'voltage'} is ${plainNumber(factor, 3)} times the assumed value.`,
  check: ({ where: [id] }) => `Measure the resistance of ${id} on this function with another instrument.`,
};

const scaled = (instrument: Instrument, { quantity, factor }: Meter['value']): Instrument =>
  changeRanges(instrument, (range, of) =>
    of === quantity ? { ...range, resistance: range.resistance * factor } : range,
  );
