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

/** A circuit with some resistances changed: what its meter indicates then, and how each resistance bears on that. */
export interface Changed {
  readonly indicated: number;
  readonly currents: Float64Array;
  readonly effect: Float64Array;
}

/**
 * Changes resistances one after the other, each a change of rank one: an EMF of Δ times its current in series.
 *
 * @returns the indication, and currents and effects in the changed circuit
 */
export function changed(circuit: ReadingCircuit, changes: readonly Change[]): Changed {
  if (changes.length === 0) return circuit;
  const n = circuit.names.length;
  let { indicated, currents, effect } = circuit;
  let ports = circuit.ports;
  changes.forEach(({ index, by }, at) => {
    const own = ports[index * n + index]!;
    const gain = gainOf(by, own, circuit.resistances[index]!);
    if (gain === 0) return;
    const drive = gain * currents[index]!;
    const lift = gain * effect[index]!;
    indicated += effect[index]! * drive;
    const row = ports;
    currents = currents.map((current, i) => current + row[i * n + index]! * drive);
    effect = effect.map((one, j) => one + lift * row[index * n + j]!);
    if (at < changes.length - 1) {
      ports = ports.map((one, k) => one + gain * row[Math.floor(k / n) * n + index]! * row[index * n + (k % n)]!);
    }
  });
  return { indicated, currents, effect };
}

/** Δ/(1 − ΔY); its limit where the branch is open, 0 where nothing else joins it. */
function gainOf(by: number, own: number, resistance: number): number {
  if (Math.abs(own) * resistance < 1e-12) return 0;
  return by === Infinity ? -1 / own : by / (1 - by * own);
}
