import { withFault, type CircuitHypothesis } from '../../faults/index.ts';
import { findRange, type Instrument } from '../../instrument/index.ts';
import type { Element, Network } from '../../network/index.ts';
import type { CircuitReading } from '../../readings/index.ts';
import { tolerancedParts } from '../../uncertainty/index.ts';
import { fitOne } from '../fit/fit-one.ts';
import { LaidOut } from '../laid-out.ts';
import { differenceFrom } from './comparing.ts';
import { fuseOf, meteredCircuit, ownMeterName, type Observed } from './observed.ts';
import { hopeless, largestMisfit, misfitOf, type CircuitPrediction } from './prediction.ts';
import {
  evaluate,
  gainOf,
  isolatedCircuit,
  namesOf,
  oneResistance,
  type Change,
  type ChangedSpans,
  type Evaluated,
  type ReadingCircuit,
} from './reading-circuit.ts';

/** Changes of the circuits: the same in all of them, or by reading. */
export type Changes = readonly Change[] | ((reading: number) => readonly Change[]);

/** A resistance that a fitted value sets: Ω more for a value. */
export interface Adjustable {
  readonly index: number;
  by(value: number): number;
}

/** Parts whose tolerance a fault has changed, Ω either way. */
export type Spans = readonly (readonly [string, number])[];

const none: Spans = [];

/** The circuit of every reading in a network; null if one cannot be laid out. */
function circuitsOf(
  network: Network,
  instruments: readonly Instrument[],
  observed: readonly Observed[],
): ReadingCircuit[] | null {
  const laidOut = LaidOut.of(network);
  if (!laidOut) return null;
  const circuits: ReadingCircuit[] = [];
  const named = namesOf(laidOut.names);
  for (const { reading, expected, tolerance } of observed) {
    if (reading.quantity === 'resistance') {
      const part = { resistance: expected ?? Infinity, span: tolerance * Math.sqrt(3) };
      circuits.push(isolatedCircuit(named, laidOut.resistances, reading.element, part));
      continue;
    }
    const isAlone = (reading.alongside ?? []).length === 0 && !isUnloaded(reading);
    const instrument = instruments.find(({ id }) => id === reading.instrument)!;
    const { resistance } = findRange(instrument, reading.quantity, reading.range)!;
    const circuit =
      (isAlone ? laidOut.circuitWith(reading, ownMeterName, resistance) : null) ??
      meteredCircuit(network, instruments, reading);
    if (!circuit) return null;
    circuits.push(circuit);
  }
  return circuits;
}

const isUnloaded = (reading: CircuitReading): boolean =>
  reading.quantity === 'dc-voltage' && reading.unloaded !== undefined;

/** Predicts all readings for changes of a network that is laid out once for each of them. */
export class CircuitPredictions {
  /** Ω that each toleranced part may be off. */
  readonly spans: ReadonlyMap<string, number>;
  private readonly baseSpans = new WeakMap<ReadingCircuit, Float64Array>();
  private readonly fuses: Float64Array;
  /** The readings' own standard uncertainties. */
  private readonly own: Float64Array;
  /** Results of the prediction that is being made; copied once it is complete. */
  private readonly result: Evaluated = { indicated: 0, variance: 0 };
  private changed = new Float64Array();
  private readonly values: Float64Array;
  private readonly u: Float64Array;

  private constructor(
    readonly network: Network,
    readonly instruments: readonly Instrument[],
    readonly observed: readonly Observed[],
    readonly circuits: readonly ReadingCircuit[],
  ) {
    this.spans = new Map(tolerancedParts(network).map(({ branch, span }) => [network.elements[branch]!.id, span]));
    this.fuses = Float64Array.from(observed, fuseOf);
    this.own = Float64Array.from(observed, ({ u }) => u);
    this.values = new Float64Array(observed.length);
    this.u = new Float64Array(observed.length);
  }

  /** Null if a reading's circuit cannot be laid out. */
  static of(
    network: Network,
    instruments: readonly Instrument[],
    observed: readonly Observed[],
  ): CircuitPredictions | null {
    const circuits = circuitsOf(network, instruments, observed);
    return circuits && new CircuitPredictions(network, instruments, observed, circuits);
  }

  /** The circuits with one element replaced; null if they cannot be laid out. */
  circuitsWith(element: Element): ReadingCircuit[] | null {
    const elements = this.network.elements.map((one) => (one.id === element.id ? element : one));
    return circuitsOf({ ...this.network, elements }, this.instruments, this.observed);
  }

  /** Place of a part among the resistances of some circuits, the same in all of them; −1 if it is none. */
  placeOf(circuits: readonly ReadingCircuit[], id: string): number {
    return circuits[0]?.index.get(id) ?? -1;
  }

  /** A hypothesis that is another element in the place of one; none if it is not listed. */
  variant(hypothesis: CircuitHypothesis, element: Element): CircuitPrediction[] {
    const circuits = this.circuitsWith(element);
    return circuits ? this.listed(hypothesis, circuits, []) : [];
  }

  /** A hypothesis that is another network; none if it is not listed. */
  variantOf(hypothesis: CircuitHypothesis): CircuitPrediction[] {
    const { network, instruments } = withFault(this, hypothesis);
    const circuits = circuitsOf(network, instruments, this.observed);
    return circuits ? this.listed(hypothesis, circuits, []) : [];
  }

  /** Returns the predictions of all readings; none as soon as they are too far off for the hypothesis to be listed. */
  listed(
    hypothesis: CircuitHypothesis,
    circuits: readonly ReadingCircuit[],
    changes: Changes,
    spans: Spans = none,
    fitted = 0,
  ): CircuitPrediction[] {
    const found = this.predict(hypothesis, circuits, changes, spans, fitted, largestMisfit * (1 + 1e-9));
    return found ? [found] : [];
  }

  /**
   * One value fitted: each indication is in closed form, so that the search costs a few operations a reading. The weights are
   * those at the value that was found before, twice.
   *
   * @param adjustable  for each reading the resistances that the value sets
   * @param begin       the value of the sound circuit, or nearest to it: the first weights are those there
   * @param limits      between which the value is looked for
   */
  fitted(
    hypothesisAt: (value: number) => CircuitHypothesis,
    circuits: readonly ReadingCircuit[],
    adjustable: (reading: number) => readonly Adjustable[],
    begin: number,
    spans: Spans = none,
    limits: readonly [number, number] = [1e-3, 1e9],
  ): CircuitPrediction[] {
    const adjusted = circuits.map((_, k) => adjustable(k));
    const changesAt =
      (value: number) =>
      (k: number): Change[] =>
        adjusted[k]!.map(({ index, by }) => ({ index, by: by(value) }));
    const ones = adjusted.map((own, k) =>
      own.length === 1 && !circuits[k]!.isolated ? oneResistance(circuits[k]!, own[0]!.index) : null,
    );
    const indicatedAt = (value: number, into: Float64Array): void => {
      let [last, delta] = [null as Adjustable | null, 0];
      for (let k = 0; k < into.length; k += 1) {
        const one = ones[k];
        const own = adjusted[k]!;
        if (!one) {
          into[k] = own.length === 0 ? circuits[k]!.indicated : this.indicatedIn(circuits[k]!, changesAt(value)(k));
          continue;
        }
        if (own[0] !== last) {
          last = own[0]!;
          delta = last.by(value);
        }
        into[k] = one.indicated + one.product * gainOf(delta, one.own, one.resistance);
      }
    };
    return this.fittedBy(
      indicatedAt,
      (value) => this.predict(hypothesisAt(value), circuits, changesAt(value), spans, 1, Infinity)!,
      begin,
      limits,
    );
  }

  /**
   * A value of the least misfit.
   *
   * @param indicatedAt  what each reading would indicate with a value
   */
  fittedBy(
    indicatedAt: (value: number, into: Float64Array) => void,
    at: (value: number) => CircuitPrediction,
    begin: number,
    [least, most]: readonly [number, number],
  ): CircuitPrediction[] {
    const { observed, fuses } = this;
    const indicated = new Float64Array(observed.length);
    let found = at(begin);
    let value: number | undefined;
    for (let round = 0; round < 3; round += 1) {
      const weights = found.u.map((u) => 1 / (u * u));
      const misfit = (tried: number): number => {
        indicatedAt(tried, indicated);
        let sum = 0;
        for (let k = 0; k < indicated.length; k += 1) {
          const predicted = Math.abs(indicated[k]!) > fuses[k]! ? 0 : indicated[k]!;
          sum += differenceFrom(observed[k]!, predicted) ** 2 * weights[k]!;
        }
        return sum;
      };
      value = fitOne(misfit, least, most, value);
      found = at(value);
      // Other weights move the value a little, and the misfit with it; this far off they do not bring it back.
      if (round > 0 && misfitOf(found, observed) > hopeless) return [];
    }
    return [found];
  }

  /** Returns the predictions of all readings, 0 for a blown fuse, and the standard uncertainty that each is judged by. */
  predict(
    hypothesis: CircuitHypothesis,
    circuits: readonly ReadingCircuit[],
    changes: Changes,
    spans: Spans,
    fitted: number,
    limit: number,
  ): CircuitPrediction | null {
    const { observed, own, fuses, result, values, u } = this;
    const n = circuits.length;
    const changed = this.changedSpans(circuits, spans);
    const most = limit * limit * Math.max(1, n - fitted);
    let sum = 0;
    for (let k = 0; k < n; k += 1) {
      const circuit = circuits[k]!;
      const own2 = own[k]! * own[k]!;
      const spansHere = this.spansIn(circuit, changed);
      evaluate(circuit, typeof changes === 'function' ? changes(k) : changes, spansHere, changed, result);
      const blown = Math.abs(result.indicated) > fuses[k]!;
      const value = blown ? 0 : result.indicated;
      const variance = blown ? own2 : own2 + result.variance;
      const off = differenceFrom(observed[k]!, value);
      if (off !== 0) sum += (off * off) / variance;
      if (sum > most) return null;
      values[k] = value;
      u[k] = Math.sqrt(variance);
    }
    return { hypothesis, values: values.slice(), u: u.slice(), fitted };
  }

  private changedSpans(circuits: readonly ReadingCircuit[], spans: Spans): ChangedSpans | null {
    if (spans.length === 0) return null;
    const placed = spans.map(([id, span]) => [this.placeOf(circuits, id), span] as const).filter(([at]) => at !== -1);
    return { indices: placed.map(([at]) => at), spans: placed.map(([, span]) => span) };
  }

  /** Ω that each resistance of a circuit may be off, in its order; with changes in an array that is used again. */
  private spansIn(circuit: ReadingCircuit, changed: ChangedSpans | null): Float64Array {
    let base = this.baseSpans.get(circuit);
    if (!base) {
      base = Float64Array.from(circuit.names, (name) => this.spans.get(name) ?? 0);
      this.baseSpans.set(circuit, base);
    }
    if (!changed) return base;
    if (this.changed.length !== base.length) this.changed = new Float64Array(base.length);
    this.changed.set(base);
    changed.indices.forEach((at, k) => (this.changed[at] = changed.spans[k]!));
    return this.changed;
  }

  private indicatedIn(circuit: ReadingCircuit, changes: readonly Change[]): number {
    evaluate(circuit, changes, new Float64Array(circuit.names.length), null, this.result);
    return this.result.indicated;
  }
}
