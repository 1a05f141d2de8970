import type { Element, Resistor } from '../network/index.ts';
import type { ChangesOf, CircuitPredictions, Spans } from './circuit-predictions.ts';
import type { Prediction } from './prediction.ts';
import type { Change, ReadingCircuit } from './reading-circuit.ts';

/** Open, short and a bad contact of what is a resistance in the circuits. */
export function inPlace(
  look: CircuitPredictions,
  id: string,
  circuits: readonly ReadingCircuit[],
  { open, short }: { readonly open: boolean; readonly short: boolean },
): Prediction[] {
  const at = (circuit: ReadingCircuit, by: (resistance: number) => number): Change[] => {
    const index = circuit.index.get(id);
    return index === undefined ? [] : [{ index, by: by(circuit.resistances[index]!) }];
  };
  return [
    ...(open
      ? [look.predict({ fault: 'open', where: [id], value: null }, circuits, (c) => at(c, () => Infinity))]
      : []),
    ...(short ? [look.predict({ fault: 'short', where: [id], value: null }, circuits, (c) => at(c, (r) => -r))] : []),
    look.fittedPart(
      (ohms) => ({ fault: 'contact', where: [id], value: ohms }),
      circuits,
      id,
      (ohms) => ohms,
    ),
  ];
}

/** Ten or a hundred times, or a tenth or a hundredth, of what is written on a resistor. */
export function decades(look: CircuitPredictions, { id, resistance }: Resistor): Prediction[] {
  return [10, 0.1, 100, 0.01].map((factor) => {
    const scaled: Spans = [[id, (look.spans.get(id) ?? 0) * factor]];
    const hypothesis = { fault: 'decade', where: [id], value: factor } as const;
    return look.predict(hypothesis, look.circuits, setting(id, factor * resistance), scaled);
  });
}

/** A resistor with a fitted value outside its tolerance; none where the fit is within. */
export function outOfTolerance(look: CircuitPredictions, { id, resistance, tolerance = 0 }: Resistor): Prediction[] {
  const spans: Spans = [[id, 0]];
  const fitted = look.fittedPart(
    (ohms) => ({ fault: 'out-of-tolerance', where: [id], value: ohms }),
    look.circuits,
    id,
    (ohms, own) => ohms - own,
    spans,
  );
  const { value } = fitted.hypothesis;
  return typeof value === 'number' && Math.abs(value / resistance - 1) > tolerance ? [fitted] : [];
}

/** Two resistors exchanged, their tolerances with them. */
export function swaps(look: CircuitPredictions): Prediction[] {
  const resistors = look.network.elements.filter((one): one is Resistor => one.kind === 'resistor');
  return resistors.flatMap((a, at) =>
    resistors.slice(at + 1).flatMap((b): Prediction[] => {
      if (a.resistance === b.resistance) return [];
      const spans: Spans = [
        [a.id, look.spans.get(b.id) ?? 0],
        [b.id, look.spans.get(a.id) ?? 0],
      ];
      const [toA, toB] = [setting(a.id, b.resistance), setting(b.id, a.resistance)];
      const hypothesis = { fault: 'swapped', where: [a.id, b.id], value: null } as const;
      return [look.predict(hypothesis, look.circuits, (c, k) => [...toA(c, k), ...toB(c, k)], spans)];
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
  if (!circuits) return [];
  return [
    look.fittedPart(
      (ohms) => ({ fault: 'contact', where: [id], value: ohms }),
      circuits,
      id,
      (ohms, own) => ohms - own,
    ),
  ];
}

/** A resistance set to another value, Ω. */
const setting =
  (id: string, ohms: number): ChangesOf =>
  (circuit) => {
    const index = circuit.index.get(id);
    return index === undefined ? [] : [{ index, by: ohms - circuit.resistances[index]! }];
  };
