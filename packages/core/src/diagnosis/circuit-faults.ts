import { openSwitch, possibleFaults, type Hypothesis } from '../faults/index.ts';
import { rangesOf, type Instrument, type MeterQuantity } from '../instrument/index.ts';
import type { Element, Network, Resistor, Source } from '../network/index.ts';
import { setupOf } from '../readings/index.ts';
import { CircuitPredictions, type Adjustable } from './circuit-predictions.ts';
import { isInCircuit, meterName, type Observed } from './observed.ts';
import { contact, decade, openOrShort, outOfTolerance, swapped } from './part-faults.ts';
import type { Prediction } from './prediction.ts';
import { supplyLimited, supplyValue } from './supply-faults.ts';

/** Every fault of the circuit, with what each reading would then say. Fitted values are those of the least misfit. */
export function circuitFaults(
  network: Network,
  instruments: readonly Instrument[],
  observed: readonly Observed[],
): Prediction[] {
  const look = CircuitPredictions.of(network, instruments, observed);
  if (!look) return [];
  const byId = new Map(network.elements.map((element) => [element.id, element]));
  return [
    ...possibleFaults(network).flatMap((hypothesis) =>
      predictionsOf(look, hypothesis, ...hypothesis.where.map((id) => byId.get(id)!)),
    ),
    ...possibleMeters(instruments, observed).flatMap(({ where: [id], quantity }) => meter(look, id, quantity)),
  ];
}

/** What a fault predicts; none if it is not to be listed. */
function predictionsOf(
  look: CircuitPredictions,
  hypothesis: Hypothesis,
  element?: Element,
  other?: Element,
): Prediction[] {
  switch (hypothesis.fault) {
    case 'open':
      return openOrShort(look, hypothesis) ?? look.variant(hypothesis, openSwitch(element!));
    case 'short':
      return openOrShort(look, hypothesis) ?? [];
    case 'contact':
      return contact(look, element!);
    case 'decade':
      return decade(look, hypothesis, element as Resistor);
    case 'out-of-tolerance':
      return outOfTolerance(look, element as Resistor);
    case 'swapped':
      return swapped(look, hypothesis, element as Resistor, other as Resistor);
    case 'supply-value':
      return supplyValue(look, element as Source);
    case 'supply-limited':
      return supplyLimited(look, element as Source);
    default:
      return look.variantOf(hypothesis);
  }
}

/** An instrument whose resistance may be off on all ranges of a quantity. */
interface PossibleMeter {
  readonly where: readonly [string];
  readonly quantity: MeterQuantity;
}

/** The instruments that readings were taken with, by quantity. */
export const possibleMeters = (
  instruments: readonly Instrument[],
  observed: readonly Observed[],
): readonly PossibleMeter[] =>
  instruments.flatMap((instrument) =>
    (['dc-voltage', 'dc-current'] as const).flatMap((quantity): PossibleMeter[] => {
      const used = observed
        .filter(isInCircuit)
        .some(({ reading }) =>
          setupOf(reading).meters.some((one) => one.instrument === instrument.id && one.quantity === quantity),
        );
      const isIdeal = rangesOf(instrument, quantity).every(({ resistance }) => resistance === 0);
      return used && !isIdeal ? [{ where: [instrument.id], quantity }] : [];
    }),
  );

/** The resistance of all ranges of one quantity of an instrument off by a factor. */
function meter(look: CircuitPredictions, instrument: string, quantity: MeterQuantity): Prediction[] {
  const adjustable = (k: number): Adjustable[] => {
    const { reading } = look.observed[k]!;
    if (reading.quantity === 'resistance') return [];
    return setupOf(reading).meters.flatMap((one) => {
      const circuit = look.circuits[k]!;
      const index = circuit.index.get(meterName(one));
      if (one.instrument !== instrument || one.quantity !== quantity || index === undefined) return [];
      return [{ index, by: (factor) => (factor - 1) * circuit.resistances[index]! }];
    });
  };
  return look.fitted(
    (factor) => ({ fault: 'meter', where: [instrument], value: { quantity, factor } }),
    look.circuits,
    adjustable,
    1,
    [],
    [1e-3, 1e3],
  );
}
