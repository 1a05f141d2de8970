import type { HypothesisOf } from '../../faults/index.ts';
import type { Element, Resistor } from '../../network/index.ts';
import type { Adjustable, CircuitPredictions, Spans } from '../predictions/circuit-predictions.ts';
import type { CircuitPrediction } from '../predictions/prediction.ts';
import type { ReadingCircuit } from '../predictions/reading-circuit.ts';

/** A part that is open or shorted, its tolerance excluded; null if the part is not a resistance in the circuits. */
export function openOrShort(
  look: CircuitPredictions,
  hypothesis: HypothesisOf<'open' | 'short'>,
): CircuitPrediction[] | null {
  const index = look.placeOf(look.circuits, hypothesis.where[0]!);
  if (index === -1) return null;
  const by = hypothesis.fault === 'open' ? Infinity : -look.circuits[0]!.resistances[index]!;
  return look.listed(hypothesis, look.circuits, [{ index, by }], [[hypothesis.where[0]!, 0]]);
}

/** A bad contact in series with a part; a link, a closed switch or an ideal source gets a resistance of its own for it. */
export function contact(look: CircuitPredictions, element: Element): CircuitPrediction[] {
  if (look.placeOf(look.circuits, element.id) !== -1) return contactIn(look, element.id, look.circuits, 0);
  const { id, from, to } = element;
  const resistive: Element =
    element.kind === 'source'
      ? { ...element, internalResistance: 1 }
      : { id, from, to, kind: 'resistor', resistance: 1 };
  const circuits = look.circuitsWith(resistive);
  return circuits ? contactIn(look, id, circuits, 1) : [];
}

/** Ω of a contact that is as good as none. */
const least = 1e-3;

/** @param own  Ω of the resistance in the circuits that are the contact's */
function contactIn(
  look: CircuitPredictions,
  id: string,
  circuits: readonly ReadingCircuit[],
  own: number,
): CircuitPrediction[] {
  const adjustable: readonly Adjustable[] = [{ index: look.placeOf(circuits, id), by: (ohms) => ohms - own }];
  return look.fitted(
    (ohms) => ({ fault: 'contact', where: [id], value: ohms }),
    circuits,
    // A part that is taken out leaves its contact behind.
    (reading) => (circuits[reading]!.isolated ? [] : adjustable),
    least,
    [[id, 0]],
  );
}

/** Ten or a hundred times, or a tenth or a hundredth, of what is written on a resistor. */
export function decade(
  look: CircuitPredictions,
  hypothesis: HypothesisOf<'decade'>,
  { id, resistance }: Resistor,
): CircuitPrediction[] {
  const { index, own } = placeOf(look, id);
  const factor = hypothesis.value;
  const scaled: Spans = [[id, (look.spans.get(id) ?? 0) * factor]];
  return look.listed(hypothesis, look.circuits, [{ index, by: factor * resistance - own }], scaled);
}

/** Returns whether a resistance, Ω, is outside a resistor's tolerance; without a tolerance every other value is. */
export const isOutside = ({ resistance, tolerance = 0 }: Resistor, ohms: number): boolean =>
  Math.abs(ohms / resistance - 1) > tolerance;

/** A resistor with a fitted value outside its tolerance; none if the fit is within. */
export function outOfTolerance(look: CircuitPredictions, part: Resistor): CircuitPrediction[] {
  const { index, own } = placeOf(look, part.id);
  const adjustable: readonly Adjustable[] = [{ index, by: (ohms) => ohms - own }];
  return look
    .fitted(
      (ohms) => ({ fault: 'out-of-tolerance', where: [part.id], value: ohms }),
      look.circuits,
      () => adjustable,
      own,
      [[part.id, 0]],
    )
    .filter(({ hypothesis: { value } }) => typeof value === 'number' && isOutside(part, value));
}

/** Two resistors exchanged: the values that they are counted with, and their tolerances. */
export function swapped(
  look: CircuitPredictions,
  hypothesis: HypothesisOf<'swapped'>,
  a: Resistor,
  b: Resistor,
): CircuitPrediction[] {
  const [one, other] = [placeOf(look, a.id), placeOf(look, b.id)];
  const spans: Spans = [
    [a.id, look.spans.get(b.id) ?? 0],
    [b.id, look.spans.get(a.id) ?? 0],
  ];
  const changes = [
    { index: one.index, by: other.own - one.own },
    { index: other.index, by: one.own - other.own },
  ];
  return look.listed(hypothesis, look.circuits, changes, spans);
}

/** Index of a resistor among the resistances of the circuits, and its own resistance there, Ω. */
function placeOf(look: CircuitPredictions, id: string): { readonly index: number; readonly own: number } {
  const index = look.placeOf(look.circuits, id);
  return { index, own: look.circuits[0]!.resistances[index]! };
}
