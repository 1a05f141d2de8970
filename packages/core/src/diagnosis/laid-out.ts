import { parseEnd, type Network } from '../network/index.ts';
import { circuitOf, quickCircuit, type NetworkCircuit, type QuickCircuit } from '../solver/index.ts';
import { namesOf, type NamedResistances, type ReadingCircuit } from './predictions/reading-circuit.ts';

/** A meter that is alone in a circuit. */
export type LoneMeter =
  | { readonly quantity: 'dc-voltage'; readonly red: string; readonly black: string }
  | {
      readonly quantity: 'dc-current';
      readonly node: string;
      readonly ends: readonly string[];
      readonly reversed?: boolean;
    };

/**
 * A network laid out once for every meter that is put into it alone: a voltmeter is a change of rank one to it, an ammeter is
 * in series with one of its resistances. Everything then follows from the network's own responses.
 */
export class LaidOut {
  private readonly resistive: readonly number[];
  /** A in each resistance, and in one (row) for 1 V in another (column). */
  private readonly currents: Float64Array;
  private readonly ports: Float64Array;
  /** V of each node (row) above another (column); NaN if nothing joins them. */
  private readonly voltages: Float64Array;
  private readonly pairs = new Map<number, Pair | null>();
  private readonly namedWith = new Map<string, NamedResistances>();

  private constructor(
    private readonly network: Network,
    private readonly named: NetworkCircuit,
    private readonly quick: QuickCircuit,
  ) {
    const { circuit } = named;
    this.resistive = circuit.branches.flatMap(({ kind }, branch) => (kind === 'resistance' ? [branch] : []));
    quick.solve([]);
    this.currents = this.inEach();
    const { nodes } = circuit;
    this.voltages = Float64Array.from({ length: nodes * nodes }, (_, k) =>
      quick.voltage(Math.floor(k / nodes), k % nodes),
    );
    const n = this.resistive.length;
    this.ports = new Float64Array(n * n);
    this.resistive.forEach((branch, j) => {
      quick.drive(branch);
      this.inEach().forEach((current, i) => (this.ports[i * n + j] = current));
    });
  }

  /** Null if ideal sources contradict each other. */
  static of(network: Network): LaidOut | null {
    const named = circuitOf(network);
    const quick = quickCircuit(named.circuit, []);
    return quick && new LaidOut(network, named, quick);
  }

  /** The circuit with a lone meter of a resistance, Ω; null if it has to be laid out by itself. */
  circuitWith(meter: LoneMeter, name: string, resistance: number): ReadingCircuit | null {
    return meter.quantity === 'dc-voltage'
      ? this.withVoltmeter(meter.red, meter.black, name, resistance)
      : this.withAmmeter(meter, name, resistance);
  }

  /**
   * Returns the indication of a lone meter of a resistance, Ω, in V or A; null if its circuit has to be solved by itself: a
   * meter that is connected to nothing, or an ammeter that is not in series with a single resistance.
   */
  indicationOf(meter: LoneMeter, resistance: number): number | null {
    if (meter.quantity === 'dc-voltage') {
      const pair = this.pair(meter.red, meter.black);
      if (!pair) return null;
      return this.signOf(meter.red, meter.black) * pair.voltage * (resistance / (resistance + pair.seen));
    }
    const place = this.inSeries(meter);
    return place && place.sign * this.currentThrough(place.at, resistance);
  }

  /**
   * Returns the standard uncertainty of that indication from the parts' tolerances, V or A.
   *
   * @param spans  Ω that each resistance may be off, in the order of the network's resistances
   */
  toleranceOf(meter: LoneMeter, resistance: number, spans: Float64Array): number {
    const n = this.resistive.length;
    let variance = 0;
    if (meter.quantity === 'dc-voltage') {
      const pair = this.pair(meter.red, meter.black)!;
      const { voltage, seen } = pair;
      const injected = this.injectedBy(pair);
      const whole = resistance + seen;
      for (let k = 0; k < n; k += 1) {
        const moved = injected[k]! * (this.currents[k]! - (injected[k]! * voltage) / whole) * spans[k]!;
        variance += moved * moved;
      }
      return (resistance / whole) * Math.sqrt(variance / 3);
    }
    const { at } = this.inSeries(meter)!;
    const current = this.currentThrough(at, resistance);
    for (let k = 0; k < n; k += 1) {
      const response = this.ports[at * n + k]!;
      const moved = response * (this.currents[k]! + response * resistance * current) * spans[k]!;
      variance += moved * moved;
    }
    return this.gainAt(at, resistance) * Math.sqrt(variance / 3);
  }

  private currentThrough(at: number, resistance: number): number {
    return this.gainAt(at, resistance) * this.currents[at]!;
  }

  /** Current in a resistance with an ammeter in series, as a ratio to that without it. */
  private gainAt(at: number, resistance: number): number {
    return 1 / (1 - resistance * this.ports[at * this.resistive.length + at]!);
  }

  /** Names of the resistances, in their order. */
  get names(): readonly string[] {
    return this.resistive.map((branch) => this.named.circuit.branches[branch]!.id);
  }

  /** Ω of each resistance, in the order of their names. */
  get resistances(): Float64Array {
    return Float64Array.from(this.resistive, (branch) => this.named.circuit.branches[branch]!.resistance.hi);
  }

  private inEach(): Float64Array {
    return Float64Array.from(this.resistive, (branch) => {
      const current = this.quick.current(branch);
      return Number.isNaN(current) ? 0 : current;
    });
  }

  /** Two nodes; the same for both ways round. */
  private pair(red: string, black: string): Pair | null {
    const a = this.named.nodeNumber.get(red)!;
    const b = this.named.nodeNumber.get(black)!;
    const from = Math.min(a, b);
    const to = Math.max(a, b);
    const key = from * this.named.circuit.nodes + to;
    let found = this.pairs.get(key);
    if (found === undefined) {
      const voltage = this.voltages[key]!;
      if (!Number.isNaN(voltage)) this.quick.inject(from, to);
      found = Number.isNaN(voltage) ? null : { from, to, voltage, seen: this.quick.voltage(from, to), injected: null };
      this.pairs.set(key, found);
    }
    return found;
  }

  /** A in each resistance for 1 A driven into the first node of a pair and out of the second. */
  private injectedBy(pair: Pair): Float64Array {
    if (!pair.injected) {
      this.quick.inject(pair.from, pair.to);
      pair.injected = this.inEach();
    }
    return pair.injected;
  }

  /** Sign of the voltage of two nodes against that of their pair. */
  private signOf(red: string, black: string): 1 | -1 {
    return this.named.nodeNumber.get(red)! > this.named.nodeNumber.get(black)! ? -1 : 1;
  }

  /** The resistance that an ammeter is in series with, and the sign of its current there. */
  private inSeries({ ends, reversed = false }: LoneMeter & { readonly quantity: 'dc-current' }) {
    const end = ends.length === 1 ? parseEnd(ends[0]!) : null;
    const branch = this.network.elements.findIndex(({ id }) => id === end?.element);
    const at = this.resistive.indexOf(branch);
    const part = this.network.elements[branch];
    if (!end || at === -1 || part!.from === part!.to) return null;
    return { at, sign: (end.end === 'to') !== reversed ? -1 : 1 };
  }

  private withVoltmeter(red: string, black: string, name: string, resistance: number): ReadingCircuit | null {
    const pair = red === black ? null : this.pair(red, black);
    if (!pair) return null;
    const { voltage, seen } = pair;
    const injected = this.injectedBy(pair);
    const sign = this.signOf(red, black);
    const n = this.resistive.length;
    const size = n + 1;
    const whole = resistance + seen;
    const share = (sign * resistance) / whole;
    const ports = new Float64Array(size * size);
    for (let i = 0; i < n; i += 1) {
      for (let j = 0; j < n; j += 1)
        ports[i * size + j] = this.ports[i * n + j]! - (injected[i]! * injected[j]!) / whole;
      ports[i * size + n] = ports[n * size + i] = (sign * injected[i]!) / whole;
    }
    ports[n * size + n] = -1 / whole;
    const currents = new Float64Array(size);
    const effect = new Float64Array(size);
    for (let k = 0; k < n; k += 1) {
      currents[k] = this.currents[k]! - (injected[k]! * voltage) / whole;
      effect[k] = share * injected[k]!;
    }
    currents[n] = (sign * voltage) / whole;
    effect[n] = seen / whole;
    return this.made(name, resistance, { indicated: share * voltage, currents, effect, ports });
  }

  private withAmmeter(
    meter: LoneMeter & { readonly quantity: 'dc-current' },
    name: string,
    resistance: number,
  ): ReadingCircuit | null {
    const place = this.inSeries(meter);
    if (!place || resistance === 0) return null;
    const { at, sign } = place;
    const n = this.resistive.length;
    const size = n + 1;
    const gain = this.gainAt(at, resistance);
    const current = this.currentThrough(at, resistance);
    const ports = new Float64Array(size * size);
    // What holds for the part holds for the meter in series with it.
    const turn = meter.reversed ? -sign : sign;
    const of = (k: number): number => (k === n ? at : k);
    const signOf = (k: number): number => (k === n ? turn : 1);
    for (let i = 0; i < size; i += 1)
      for (let j = 0; j < size; j += 1) {
        const [a, b] = [this.ports[of(i) * n + at]!, this.ports[at * n + of(j)]!];
        ports[i * size + j] = signOf(i) * signOf(j) * (this.ports[of(i) * n + of(j)]! + resistance * gain * a * b);
      }
    const currents = new Float64Array(size);
    const effect = new Float64Array(size);
    for (let k = 0; k < size; k += 1) {
      const response = this.ports[of(k) * n + at]!;
      currents[k] = signOf(k) * (this.currents[of(k)]! + response * resistance * current);
      effect[k] = sign * gain * signOf(k) * this.ports[at * n + of(k)]!;
    }
    return this.made(name, resistance, { indicated: sign * current, currents, effect, ports });
  }

  private made(
    name: string,
    resistance: number,
    responses: Pick<ReadingCircuit, 'indicated' | 'currents' | 'effect' | 'ports'>,
  ): ReadingCircuit {
    let named = this.namedWith.get(name);
    if (!named) this.namedWith.set(name, (named = namesOf([...this.names, name])));
    return {
      ...responses,
      ...named,
      resistances: Float64Array.of(...this.resistances, resistance),
    };
  }
}

interface Pair {
  readonly from: number;
  readonly to: number;
  /** V from the first to the second with no meter connected. */
  readonly voltage: number;
  /** Ω between the two. */
  readonly seen: number;
  /** A in each resistance for 1 A driven into the first and out of the second; null until it is asked for. */
  injected: Float64Array | null;
}
