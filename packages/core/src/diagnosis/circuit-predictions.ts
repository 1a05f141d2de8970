import type { Instrument } from '../instrument/index.ts';
import type { Element, Network } from '../network/index.ts';
import { tolerancedParts } from '../uncertainty/index.ts';
import type { Hypothesis } from '../faults/index.ts';
import { fitOne } from './fit-one.ts';
import { fuseOf, meteredCircuit, type Observed } from './observed.ts';
import { misfitOf, type Prediction } from './prediction.ts';
import { evaluate, indicatedWith, type Change, type ReadingCircuit } from './reading-circuit.ts';

/** How the circuit of a reading is changed. */
export type ChangesOf = (circuit: ReadingCircuit, reading: number) => readonly Change[];

/** Parts whose tolerance a fault has changed, Ω either way. */
export type Spans = readonly (readonly [string, number])[];

/** The circuit of every reading in a network; null where one cannot be laid out. */
function circuitsOf(
  network: Network,
  instruments: readonly Instrument[],
  observed: readonly Observed[],
): ReadingCircuit[] | null {
  const circuits = observed.map(({ reading }) => meteredCircuit(network, instruments, reading));
  return circuits.includes(null) ? null : (circuits as ReadingCircuit[]);
}

/** Predicts all readings for changes of a network that is laid out once for each of them. */
export class CircuitPredictions {
  /** Ω that each toleranced part may be off. */
  readonly spans: ReadonlyMap<string, number>;
  private readonly laidOut = new WeakMap<ReadingCircuit, Float64Array>();

  private constructor(
    readonly network: Network,
    readonly instruments: readonly Instrument[],
    readonly observed: readonly Observed[],
    readonly circuits: readonly ReadingCircuit[],
  ) {
    this.spans = new Map(tolerancedParts(network).map(({ branch, span }) => [network.elements[branch]!.id, span]));
  }

  /** Null where a reading's circuit cannot be laid out. */
  static of(
    network: Network,
    instruments: readonly Instrument[],
    observed: readonly Observed[],
  ): CircuitPredictions | null {
    const circuits = circuitsOf(network, instruments, observed);
    return circuits && new CircuitPredictions(network, instruments, observed, circuits);
  }

  /** The circuits with one element replaced; null where they cannot be laid out. */
  circuitsWith(element: Element): ReadingCircuit[] | null {
    const elements = this.network.elements.map((one) => (one.id === element.id ? element : one));
    return circuitsOf({ ...this.network, elements }, this.instruments, this.observed);
  }

  /** A hypothesis that is another element in the place of one; none where the circuit cannot be laid out so. */
  variant(hypothesis: Hypothesis, element: Element): Prediction[] {
    const circuits = this.circuitsWith(element);
    return circuits ? [this.predict(hypothesis, circuits, () => [])] : [];
  }

  /**
   * One resistance fitted, Ω: each indication is in closed form, so that the search costs a few operations a reading. The
   * weights are those at the value that was found before, twice.
   *
   * @param by  Ω more for a value, and for what the resistance is now
   */
  fittedPart(
    hypothesisAt: (value: number) => Hypothesis,
    circuits: readonly ReadingCircuit[],
    id: string,
    by: (value: number, own: number) => number,
    spans: Spans = [],
  ): Prediction {
    const at = (value: number): Prediction =>
      this.predict(
        hypothesisAt(value),
        circuits,
        (circuit) => {
          const index = circuit.index.get(id);
          return index === undefined ? [] : [{ index, by: by(value, circuit.resistances[index]!) }];
        },
        spans,
        1,
      );
    const indices = circuits.map((circuit) => circuit.index.get(id) ?? -1);
    const fuses = this.observed.map(fuseOf);
    let { u } = this.predict(hypothesisAt(0), circuits, () => [], spans);
    let found: Prediction | null = null;
    for (let round = 0; round < 3; round += 1) {
      const misfit = (value: number): number => {
        let sum = 0;
        for (let k = 0; k < circuits.length; k += 1) {
          const circuit = circuits[k]!;
          const index = indices[k]!;
          const indicated =
            index === -1 ? circuit.indicated : indicatedWith(circuit, index, by(value, circuit.resistances[index]!));
          const told = Math.abs(indicated) > fuses[k]! ? 0 : indicated;
          sum += ((this.observed[k]!.value - told) / u[k]!) ** 2;
        }
        return sum;
      };
      found = fitOne(misfit, 1e-3, 1e9, at);
      u = found.u;
    }
    return found!;
  }

  /** A value fitted between two limits, whatever it changes. */
  fitted(
    hypothesisAt: (value: number) => Hypothesis,
    circuits: readonly ReadingCircuit[],
    changesAt: (value: number) => ChangesOf,
    spans: Spans = [],
    [least, most]: readonly [number, number] = [1e-3, 1e9],
  ): Prediction {
    const at = (value: number): Prediction => this.predict(hypothesisAt(value), circuits, changesAt(value), spans, 1);
    return fitOne((value) => misfitOf(at(value), this.observed), least, most, at);
  }

  /** What each reading would say, its fuse blown where too much would flow, and the standard uncertainty that it is judged by. */
  predict(
    hypothesis: Hypothesis,
    circuits: readonly ReadingCircuit[],
    changesOf: ChangesOf,
    spans: Spans = [],
    fitted = 0,
  ): Prediction {
    const values = new Float64Array(circuits.length);
    const u = new Float64Array(circuits.length);
    circuits.forEach((circuit, k) => {
      const observed = this.observed[k]!;
      const { indicated, tolerance } = evaluate(circuit, changesOf(circuit, k), this.spansIn(circuit, spans));
      const blown = Math.abs(indicated) > fuseOf(observed);
      values[k] = blown ? 0 : indicated;
      u[k] = Math.hypot(observed.u, blown ? 0 : tolerance);
    });
    return { hypothesis, values, u, fitted };
  }

  /** Ω that each resistance of a circuit may be off, in its order, but for those that a fault has changed. */
  private spansIn(circuit: ReadingCircuit, changed: Spans): Float64Array {
    let base = this.laidOut.get(circuit);
    if (!base) {
      base = Float64Array.from(circuit.names, (name) => this.spans.get(name) ?? 0);
      this.laidOut.set(circuit, base);
    }
    if (changed.length === 0) return base;
    const spans = base.slice();
    for (const [id, span] of changed) {
      const index = circuit.index.get(id);
      if (index !== undefined) spans[index] = span;
    }
    return spans;
  }
}
