import { attach, quickCircuit, type Attachment, type NetworkCircuit } from '../../solver/index.ts';

/** Conductance times resistance of a branch below which nothing else joins it. */
const isolated = 1e-12;

/** The resistances of a circuit by their names: an element's id, or a meter's after these. */
export interface NamedResistances {
  readonly names: readonly string[];
  readonly index: ReadonlyMap<string, number>;
}

/** Returns names with the place of each. */
export const namesOf = (names: readonly string[]): NamedResistances => ({
  names,
  index: new Map(names.map((name, at) => [name, at])),
});

/** Indication of a reading's meter in a circuit that is laid out once, as a function of every resistance in it. */
export interface ReadingCircuit extends NamedResistances {
  /** V or A as the circuit is. */
  readonly indicated: number;
  /** Ω. */
  readonly resistances: Float64Array;
  /** A from → to in each. */
  readonly currents: Float64Array;
  /** Change of the indication for 1 V in each. */
  readonly effect: Float64Array;
  /** A in one (row) for 1 V in another (column). */
  readonly ports: Float64Array;
  /** Of a part that is read out of circuit: its index among the resistances (−1 if it has none), and its tolerance, Ω. */
  readonly isolated?: { readonly index: number; readonly span: number };
}

/** Returns the "circuit" of a part alone: it indicates the part's resistance, and nothing else affects it. */
export function isolatedCircuit(
  named: NamedResistances,
  resistances: Float64Array,
  part: string,
  { resistance, span }: { readonly resistance: number; readonly span: number },
): ReadingCircuit {
  const none = new Float64Array();
  return {
    ...named,
    resistances,
    indicated: resistance,
    currents: none,
    effect: none,
    ports: none,
    isolated: { index: named.index.get(part) ?? -1, span },
  };
}

/** A resistance that is another: Ω more; Infinity if it is open. */
export interface Change {
  readonly index: number;
  readonly by: number;
}

/** Source of a meter's indication: the voltage of two nodes, or the current of a branch. */
export type Indication =
  { readonly from: number; readonly to: number } | { readonly meter: number; readonly reversed: boolean };

/**
 * Lays a circuit with its meters out. An indication that nothing determines counts as 0: the meter is connected to nothing.
 *
 * @returns null if ideal sources contradict each other
 */
export function readingCircuit(
  named: NetworkCircuit,
  meters: readonly Attachment[],
  indication: Indication,
): ReadingCircuit | null {
  const { circuit } = attach(named, meters);
  const quick = quickCircuit(circuit, []);
  if (!quick) return null;
  const resistive = circuit.branches.flatMap(({ kind }, branch) => (kind === 'resistance' ? [branch] : []));
  const n = resistive.length;
  const first = named.circuit.branches.length;
  const read = (): number => {
    const value =
      'from' in indication
        ? quick.voltage(indication.from, indication.to)
        : (indication.reversed ? -1 : 1) * quick.current(first + indication.meter);
    return known(value);
  };
  const known = (value: number): number => (Number.isNaN(value) ? 0 : value);
  quick.solve([]);
  const indicated = read();
  const currents = Float64Array.from(resistive, (branch) => known(quick.current(branch)));
  const effect = new Float64Array(n);
  const ports = new Float64Array(n * n);
  resistive.forEach((branch, j) => {
    quick.drive(branch);
    effect[j] = read();
    for (let i = 0; i < n; i += 1) ports[i * n + j] = known(quick.current(resistive[i]!));
  });
  return {
    indicated,
    ...namesOf(resistive.map((branch) => circuit.branches[branch]!.id)),
    resistances: Float64Array.from(resistive, (branch) => circuit.branches[branch]!.resistance.hi),
    currents,
    effect,
    ports,
  };
}

/** Resistances that a fault has changed the tolerance of: their places, and Ω that they may then be off. */
export interface ChangedSpans {
  readonly indices: readonly number[];
  readonly spans: readonly number[];
}

/** Result of the last evaluation: V or A indicated, and the variance from the tolerances. */
export interface Evaluated {
  indicated: number;
  variance: number;
}

/**
 * Changes resistances one after the other, each a change of rank one: an EMF of Δ times its current in series.
 *
 * @param spans    Ω that each resistance may be off, in the order of the circuit's names; 0 if it is known
 * @param changed  spans that a fault has set, for a part out of circuit; `spans` contains them already
 * @param into     where the result goes
 */
export function evaluate(
  circuit: ReadingCircuit,
  changes: readonly Change[],
  spans: Float64Array,
  changed: ChangedSpans | null,
  into: Evaluated,
): void {
  if (circuit.isolated) return evaluateIsolated(circuit, circuit.isolated, changes, changed, into);
  if (changes.length > 2) return evaluateMany(circuit, changes, spans, into);
  const { ports, currents, effect, resistances } = circuit;
  const n = currents.length;
  const [first, second] = changes;
  const [a, b] = [(first?.index ?? 0) * n, (second?.index ?? 0) * n];
  let { indicated } = circuit;
  let [drive, lift, gain] = [0, 0, 0];
  if (first) {
    const own = effect[first.index]!;
    gain = gainOf(first.by, ports[a + first.index]!, resistances[first.index]!);
    drive = gain * currents[first.index]!;
    lift = gain * own;
    indicated += own * drive;
  }
  let [secondDrive, secondLift, share] = [0, 0, 0];
  if (second) {
    const at = second.index;
    const between = ports[a + at]!;
    share = gain * between;
    const own = effect[at]! + lift * between;
    const current = currents[at]! + between * drive;
    const secondGain = gainOf(second.by, ports[b + at]! + share * between, resistances[at]!);
    secondDrive = secondGain * current;
    secondLift = secondGain * own;
    indicated += own * secondDrive;
  }
  // Two loops, and no function for each resistance: this is the innermost part of the search for faults.
  let sum = 0;
  if (second)
    for (let k = 0; k < n; k += 1) {
      const row = ports[a + k]!;
      const next = ports[b + k]! + share * row;
      const current = currents[k]! + row * drive + next * secondDrive;
      const moved = (effect[k]! + lift * row + secondLift * next) * current * spans[k]!;
      sum += moved * moved;
    }
  else
    for (let k = 0; k < n; k += 1) {
      const row = ports[a + k]!;
      const moved = (effect[k]! + lift * row) * (currents[k]! + row * drive) * spans[k]!;
      sum += moved * moved;
    }
  into.indicated = indicated;
  into.variance = sum / 3;
}

/** The resistance of a part alone; a fault that changes it also sets its tolerance. */
function evaluateIsolated(
  { indicated, resistances }: ReadingCircuit,
  { index, span }: { readonly index: number; readonly span: number },
  changes: readonly Change[],
  changed: ChangedSpans | null,
  into: Evaluated,
): void {
  const change = changes.find((one) => one.index === index);
  const at = change ? (changed?.indices.indexOf(index) ?? -1) : -1;
  const own = at === -1 ? span : changed!.spans[at]!;
  into.indicated = change ? resistances[index]! + change.by : indicated;
  into.variance = (own * own) / 3;
}

/** Any number of changes, each row as the changes before it have left it; by reciprocity the columns are the same. */
function evaluateMany(circuit: ReadingCircuit, changes: readonly Change[], spans: Float64Array, into: Evaluated): void {
  const { ports, currents, effect, resistances } = circuit;
  const n = currents.length;
  const rows = changes.map(({ index }) => ports.slice(index * n, index * n + n));
  const drives: number[] = [];
  const lifts: number[] = [];
  let { indicated } = circuit;
  const currentIn = (k: number): number => drives.reduce((sum, drive, at) => sum + rows[at]![k]! * drive, currents[k]!);
  const effectOf = (k: number): number => lifts.reduce((sum, lift, at) => sum + lift * rows[at]![k]!, effect[k]!);
  changes.forEach(({ index, by }, at) => {
    const [current, own] = [currentIn(index), effectOf(index)];
    const row = rows[at]!;
    const gain = gainOf(by, row[index]!, resistances[index]!);
    drives.push(gain * current);
    lifts.push(gain * own);
    indicated += own * gain * current;
    for (let later = at + 1; later < changes.length; later += 1) {
      const next = rows[later]!;
      const share = gain * row[changes[later]!.index]!;
      for (let k = 0; k < n; k += 1) next[k]! += share * row[k]!;
    }
  });
  into.indicated = indicated;
  let sum = 0;
  for (let k = 0; k < n; k += 1) if (spans[k] !== 0) sum += (effectOf(k) * currentIn(k) * spans[k]!) ** 2;
  into.variance = sum / 3;
}

/**
 * One resistance of a circuit as all that its indication depends on: indicated + effect·current·g with g = Δ/(1 − ΔY).
 */
export interface OneResistance {
  readonly indicated: number;
  /** effect · current. */
  readonly product: number;
  /** Y: A in it for 1 V in it. */
  readonly own: number;
  /** Ω. */
  readonly resistance: number;
}

/** Returns how the readings depend on one resistance of a reading circuit. */
export function oneResistance(circuit: ReadingCircuit, index: number): OneResistance {
  const { indicated, effect, currents, ports, resistances } = circuit;
  return {
    indicated,
    product: effect[index]! * currents[index]!,
    own: ports[index * currents.length + index]!,
    resistance: resistances[index]!,
  };
}

/** Δ/(1 − ΔY); its limit if the branch is open, 0 if nothing else joins it. */
export function gainOf(by: number, own: number, resistance: number): number {
  if (Math.abs(own) * resistance < isolated) return 0;
  return by === Infinity ? -1 / own : by / (1 - by * own);
}
