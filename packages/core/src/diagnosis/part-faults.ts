import type { Element, Resistor } from '../network/index.ts';
import type { Adjustable, CircuitPredictions, Spans } from './circuit-predictions.ts';
import type { Prediction } from './prediction.ts';
import type { ReadingCircuit } from './reading-circuit.ts';

/** Open, short and a bad contact of what is a resistance in the circuits. */
export function inPlace(
  look: CircuitPredictions,
  id: string,
  { open, short }: { readonly open: boolean; readonly short: boolean },
): Prediction[] {
  const { circuits } = look;
  const index = look.placeOf(circuits, id);
  if (index === -1) return [];
  const where = [id];
  const changed = (fault: 'open' | 'short', by: number): Prediction[] =>
    look.listed({ fault, where, value: null }, circuits, [{ index, by }]);
  return [
    ...(open ? changed('open', Infinity) : []),
    ...(short ? changed('short', -circuits[0]!.resistances[index]!) : []),
    ...contactAt(look, id, circuits, 0),
  ];
}

/** A bad contact in series with a resistance of some circuits, which has some Ω of its own that are none of it. */
function contactAt(
  look: CircuitPredictions,
  id: string,
  circuits: readonly ReadingCircuit[],
  own: number,
): Prediction[] {
  const index = look.placeOf(circuits, id);
  if (index === -1) return [];
  const adjustable: readonly Adjustable[] = [{ index, by: (ohms) => ohms - own }];
  return look.fitted(
    (ohms) => ({ fault: 'contact', where: [id], value: ohms }),
    circuits,
    () => adjustable,
  );
}

/** Ten or a hundred times, or a tenth or a hundredth, of what is written on a resistor. */
export function decades(look: CircuitPredictions, { id, resistance }: Resistor): Prediction[] {
  const index = look.placeOf(look.circuits, id);
  if (index === -1) return [];
  const own = look.circuits[0]!.resistances[index]!;
  return [10, 0.1, 100, 0.01].flatMap((factor) => {
    const scaled: Spans = [[id, (look.spans.get(id) ?? 0) * factor]];
    const hypothesis = { fault: 'decade', where: [id], value: factor } as const;
    return look.listed(hypothesis, look.circuits, [{ index, by: factor * resistance - own }], scaled);
  });
}

/** A resistor with a fitted value outside its tolerance; none where the fit is within. */
export function outOfTolerance(look: CircuitPredictions, { id, resistance, tolerance = 0 }: Resistor): Prediction[] {
  const index = look.placeOf(look.circuits, id);
  if (index === -1) return [];
  const own = look.circuits[0]!.resistances[index]!;
  const adjustable: readonly Adjustable[] = [{ index, by: (ohms) => ohms - own }];
  const spans: Spans = [[id, 0]];
  return look
    .fitted(
      (ohms) => ({ fault: 'out-of-tolerance', where: [id], value: ohms }),
      look.circuits,
      () => adjustable,
      spans,
    )
    .filter(({ hypothesis: { value } }) => Math.abs((value as number) / resistance - 1) > tolerance);
}

/** Two resistors exchanged, their tolerances with them. */
export function swaps(look: CircuitPredictions): Prediction[] {
  const [first] = look.circuits;
  const resistors = look.network.elements.flatMap((one) => {
    const index = one.kind === 'resistor' ? look.placeOf(look.circuits, one.id) : -1;
    return one.kind === 'resistor' && index !== -1 ? [{ one, index, own: first!.resistances[index]! }] : [];
  });
  return resistors.flatMap((a, at) =>
    resistors.slice(at + 1).flatMap((b): Prediction[] => {
      if (a.one.resistance === b.one.resistance) return [];
      const spans: Spans = [
        [a.one.id, look.spans.get(b.one.id) ?? 0],
        [b.one.id, look.spans.get(a.one.id) ?? 0],
      ];
      const changes = [
        { index: a.index, by: b.one.resistance - a.own },
        { index: b.index, by: a.one.resistance - b.own },
      ];
      const hypothesis = { fault: 'swapped', where: [a.one.id, b.one.id], value: null } as const;
      return look.listed(hypothesis, look.circuits, changes, spans);
    }),
  );
}

/** A link, a closed switch or an ideal source with a resistance of its own. */
export function contactOf(look: CircuitPredictions, element: Element): Prediction[] {
  const { id, from, to } = element;
  const resistive: Element =
    element.kind === 'source'
      ? { ...element, internalResistance: 1 }
      : { id, from, to, kind: 'resistor', resistance: 1 };
  const circuits = look.circuitsWith(resistive);
  return circuits ? contactAt(look, id, circuits, 1) : [];
}
