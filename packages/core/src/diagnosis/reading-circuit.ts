import { attach, quickCircuit, type Attachment, type NetworkCircuit } from '../solver/index.ts';

/** What a reading's meter indicates in a circuit that is laid out once, as a function of every resistance in it. */
export interface ReadingCircuit {
  /** V or A as the circuit is. */
  readonly indicated: number;
  /** For each resistance its name: an element's id, or a meter's after it. */
  readonly names: readonly string[];
  readonly index: ReadonlyMap<string, number>;
  /** Ω. */
  readonly resistances: Float64Array;
  /** A from → to in each. */
  readonly currents: Float64Array;
  /** What 1 V in each makes of the indication. */
  readonly effect: Float64Array;
  /** A in one (row) for 1 V in another (column). */
  readonly ports: Float64Array;
}

/** A resistance that is another: Ω more; Infinity where it is open. */
export interface Change {
  readonly index: number;
  readonly by: number;
}

/** Where a meter's indication is found: the voltage of two nodes, or the current of a branch. */
export type Indication =
  { readonly from: number; readonly to: number } | { readonly meter: number; readonly reversed: boolean };

/**
 * Lays a circuit with its meters out. An indication that nothing determines counts as 0: the meter hangs in the air.
 *
 * @returns null where ideal sources contradict each other
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
  const names = resistive.map((branch) => circuit.branches[branch]!.id);
  return {
    indicated,
    names,
    index: new Map(names.map((name, at) => [name, at])),
    resistances: Float64Array.from(resistive, (branch) => circuit.branches[branch]!.resistance.hi),
    currents,
    effect,
    ports,
  };
}

/** What a meter indicates in a changed circuit, and what tolerances make of that. */
export interface Evaluated {
  readonly indicated: number;
  /** V or A, standard, to first order: rectangular limits in quadrature. */
  readonly tolerance: number;
}

/**
 * Changes resistances one after the other, each a change of rank one: an EMF of Δ times its current in series.
 *
 * @param spans  Ω that each resistance may be off, in the order of the circuit's names; 0 where it is known
 */
export function evaluate(circuit: ReadingCircuit, changes: readonly Change[], spans: Float64Array): Evaluated {
  const { names, ports, currents, effect, resistances } = circuit;
  const n = names.length;
  // Rows of the changed resistances as the changes before them have left them; by reciprocity their columns are the same.
  const rows = changes.map(({ index }, at) => {
    const row = ports.subarray(index * n, index * n + n);
    return at === 0 ? row : row.slice();
  });
  const drives: number[] = [];
  const lifts: number[] = [];
  let { indicated } = circuit;
  changes.forEach(({ index, by }, at) => {
    let [current, own] = [currents[index]!, effect[index]!];
    for (let before = 0; before < at; before += 1) {
      current += rows[before]![index]! * drives[before]!;
      own += lifts[before]! * rows[before]![index]!;
    }
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
  let variance = 0;
  for (let k = 0; k < n; k += 1) {
    if (spans[k] === 0) continue;
    let current = currents[k]!;
    let own = effect[k]!;
    for (let at = 0; at < drives.length; at += 1) {
      current += rows[at]![k]! * drives[at]!;
      own += lifts[at]! * rows[at]![k]!;
    }
    const moved = own * current * spans[k]!;
    variance += moved * moved;
  }
  return { indicated, tolerance: Math.sqrt(variance / 3) };
}

/** What a meter indicates in a circuit with one resistance changed, Ω more. */
export function indicatedWith(circuit: ReadingCircuit, index: number, by: number): number {
  const own = circuit.ports[index * circuit.names.length + index]!;
  const gain = gainOf(by, own, circuit.resistances[index]!);
  return circuit.indicated + circuit.effect[index]! * gain * circuit.currents[index]!;
}

/** Δ/(1 − ΔY); its limit where the branch is open, 0 where nothing else joins it. */
function gainOf(by: number, own: number, resistance: number): number {
  if (Math.abs(own) * resistance < 1e-12) return 0;
  return by === Infinity ? -1 / own : by / (1 - by * own);
}
