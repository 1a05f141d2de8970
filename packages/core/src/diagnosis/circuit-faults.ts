import { rangesOf, type Instrument, type MeterQuantity } from '../instrument/index.ts';
import type { Element, Network } from '../network/index.ts';
import { setupOf } from '../readings/index.ts';
import { CircuitPredictions, type Adjustable } from './circuit-predictions.ts';
import { meterName, type Observed } from './observed.ts';
import { contactOf, decades, inPlace, outOfTolerance, swaps } from './part-faults.ts';
import type { Prediction } from './prediction.ts';
import { supplyFaults } from './supply-faults.ts';
import { openSwitch } from '../faults/index.ts';

/** Every fault of the circuit, with what each reading would then say. Fitted values are those of the least misfit. */
export function circuitFaults(
  network: Network,
  instruments: readonly Instrument[],
  observed: readonly Observed[],
): Prediction[] {
  const look = CircuitPredictions.of(network, instruments, observed);
  if (!look) return [];
  return [...network.elements.flatMap((element) => ofElement(look, element)), ...swaps(look), ...meters(look)];
}

function ofElement(look: CircuitPredictions, element: Element): Prediction[] {
  if (element.from === element.to) return [];
  const { id } = element;
  switch (element.kind) {
    case 'resistor':
      return [
        ...inPlace(look, id, { open: true, short: true }),
        ...decades(look, element),
        ...outOfTolerance(look, element),
      ];
    case 'load':
      return inPlace(look, id, { open: true, short: true });
    case 'source':
      return supplyFaults(look, element);
    case 'current-source':
      return [
        ...look.variant({ fault: 'supply-off', where: [id], value: null }, { ...element, current: 0 }),
        ...look.variant(
          { fault: 'supply-reversed', where: [id], value: null },
          { ...element, current: -element.current },
        ),
      ];
    case 'switch':
      return [
        ...look.variant({ fault: 'switch', where: [id], value: null }, { ...element, closed: !element.closed }),
        ...(element.closed ? contactOf(look, element) : []),
      ];
    case 'link':
      return [
        ...look.variant({ fault: 'open', where: [id], value: null }, openSwitch(element)),
        ...contactOf(look, element),
      ];
  }
}

/** The resistance of all ranges of one quantity of an instrument off by a factor. */
function meters(look: CircuitPredictions): Prediction[] {
  const quantities: readonly MeterQuantity[] = ['dc-voltage', 'dc-current'];
  return look.instruments.flatMap((instrument) =>
    quantities.flatMap((quantity): Prediction[] => {
      const used = look.observed.some(({ reading }) =>
        setupOf(reading).meters.some((one) => one.instrument === instrument.id && one.quantity === quantity),
      );
      if (!used || rangesOf(instrument, quantity).every(({ resistance }) => resistance === 0)) return [];
      const adjustable = (k: number): Adjustable[] =>
        setupOf(look.observed[k]!.reading).meters.flatMap((meter) => {
          const circuit = look.circuits[k]!;
          const index = circuit.index.get(meterName(meter));
          const isOne = meter.instrument === instrument.id && meter.quantity === quantity;
          if (!isOne || index === undefined) return [];
          return [{ index, by: (factor) => (factor - 1) * circuit.resistances[index]! }];
        });
      return look.fitted(
        (factor) => ({ fault: 'meter', where: [instrument.id], value: { quantity, factor } }),
        look.circuits,
        adjustable,
        [],
        [1e-3, 1e3],
      );
    }),
  );
}
