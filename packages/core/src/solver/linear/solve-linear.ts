import { fail, ok, type Result } from '../../result.ts';
import type { Branch, Circuit } from '../circuit.ts';
import { routeCurrents } from '../current-paths.ts';
import {
  add,
  divide,
  exactly,
  multiply,
  negate,
  subtract,
  toNumber,
  zero,
  type DoubleDouble,
} from './double-double.ts';
import type { SolverFault } from '../fault.ts';
import { DisjointSets } from './disjoint-sets.ts';
import { findSupernodes, pathBetween, type Supernodes } from './supernodes.ts';
import { LargeMesh } from './large-mesh.ts';
import { StarMesh, type Edge } from './star-mesh.ts';

/** Noise of a refined and of a direct solution, as a share of its scale. */
const [refinedNoise, directNoise] = [1e-22, 1e-28];

/** Potentials and currents of a solved circuit. */
export interface CircuitSolution {
  /** The circuit as it was solved: loads that are not ohmic as their tangents at the working point, open where they block. */
  readonly circuit: Circuit;
  /** V of a node against the reference; null if nothing joins the two. */
  potential(node: number): DoubleDouble | null;
  /** V of one node above another; null if nothing joins them. */
  voltage(from: number, to: number): DoubleDouble | null;
  /** A from → to through each branch; null if nothing determines it. */
  readonly currents: readonly (DoubleDouble | null)[];
  /** Network seen from the terminals of the probed branch; null if none was probed. */
  readonly port: Port | null;
}

/** The rest of the circuit as two terminals see it, the branch between them left out, sources included. */
export interface Port {
  /** S; null if the two terminals are one point. 0 if nothing joins them. */
  readonly conductance: DoubleDouble | null;
  /** A that a short would carry from → to; null if the terminals are one point. */
  readonly shortCircuitCurrent: DoubleDouble | null;
}

/**
 * Potentials and currents of a circuit of straight lines, to about 28 digits of its largest voltage.
 *
 * Nodes tied by ideal branches become one, currents of sources are routed along the best conductors, and the rest is reduced
 * star by star. The currents in ideal branches follow from the sums at their nodes.
 *
 * @param lookFrom  index of a branch (a meter) whose terminals are to be looked into; the circuit is then reduced to those
 * @returns the solution, or the fault with the ids that cause it
 */
export function solveLinear(circuit: Circuit, lookFrom = -1): Result<CircuitSolution, SolverFault> {
  const joined = findSupernodes(circuit, lookFrom);
  if (!joined.ok) return joined;
  const supernodes = joined.value;
  const { branches } = circuit;
  const probe = branches[lookFrom];
  const terminals = probe ? ([supernodes.group[probe.from]!, supernodes.group[probe.to]!] as const) : null;
  const apart = terminals !== null && terminals[0] !== terminals[1];

  const edges: Edge[] = [];
  const injected: DoubleDouble[] = new Array<DoubleDouble>(supernodes.groups).fill(zero);
  const set = new DisjointSets(supernodes.groups);
  let scale = 0;
  for (let index = 0; index < branches.length; index += 1) {
    const branch = branches[index]!;
    const a = supernodes.group[branch.from]!;
    const b = supernodes.group[branch.to]!;
    scale += Math.abs(branch.emf.hi);
    if (index === lookFrom || a === b) continue;
    if (branch.kind === 'resistance') {
      const g = divide(exactly(1), branch.resistance);
      const rise = add(branch.emf, offsetBetween(supernodes, branch.to, branch.from));
      edges.push({ a, b, g, f: rise.hi === 0 ? zero : multiply(g, rise) });
      set.join(a, b);
    } else if (branch.kind === 'current') {
      injected[a] = add(injected[a]!, exactly(-branch.current));
      injected[b] = add(injected[b]!, exactly(branch.current));
    }
  }
  const mayCarry = apart && probe!.kind !== 'open';
  const large = supernodes.groups > largeFrom;
  const driven = injected.some((current) => current.hi !== 0);
  // A large mesh is drawn up only if currents of sources have to find their way through it.
  const mesh = driven || !large ? StarMesh.of(supernodes.groups, edges) : null;
  const routed = mesh ? routeCurrents(mesh, injected, mayCarry ? terminals : null) : ok(zero);
  if (!routed.ok) return fail({ code: 'current-source-open', where: blame(circuit, supernodes, routed.fault) });
  if (mesh && driven) scale += mesh.driveVoltage();

  const kept = terminals ? [...new Set(terminals)] : [supernodes.group[circuit.reference]!];
  const solvedBy = (reduced: Reduced, noise: number) => {
    const look = probe && terminals ? lookIn(probe, supernodes, reduced, terminals, routed.value, noise) : null;
    const v = reduced.potentials(new Map(apart ? [[terminals[0], look!.across]] : []));
    return v && { look, v, noise };
  };
  const refined = large
    ? solvedBy(new LargeMesh(supernodes.groups, mesh?.edges() ?? edges, kept), scale * refinedNoise)
    : null;
  const whole = (): StarMesh => mesh ?? StarMesh.of(supernodes.groups, edges);
  const { look, v, noise } = refined ?? solvedBy(whole().reduceTo(kept), scale * directNoise)!;
  if (mayCarry) set.join(terminals[0], terminals[1]);
  for (let group = 0; group < supernodes.groups; group += 1)
    if (!Number.isFinite(v.hi[group]!)) return fail({ code: 'out-of-range', where: [] });

  const voltage = (from: number, to: number): DoubleDouble | null => {
    const a = supernodes.group[from]!;
    const b = supernodes.group[to]!;
    if (set.of(a) !== set.of(b)) return null;
    const offset = offsetBetween(supernodes, from, to);
    if (a === b) return offset;
    const between = subtract(v.at(a), v.at(b));
    return settle(offset === zero ? between : add(between, offset), noise);
  };
  const currents = branchCurrents(circuit, supernodes, voltage, noise, lookFrom, look?.current ?? null);
  return ok({
    circuit,
    potential: (node) => voltage(node, circuit.reference),
    voltage,
    currents,
    port: look?.port ?? null,
  });
}

/** Points from which on a mesh is eliminated in doubles and refined: double-doubles throughout would be felt there. */
const largeFrom = 250;

/** A mesh of which one point, or two terminals, are left. */
type Reduced = Pick<StarMesh, 'between'> & Pick<LargeMesh, 'potentials'>;

interface Look {
  readonly port: Port;
  readonly across: DoubleDouble;
  readonly current: DoubleDouble | null;
}

/** Returns the network seen from the probe's terminals, the voltage between the two groups, and the probe's current. */
function lookIn(
  probe: Branch,
  supernodes: Supernodes,
  mesh: Reduced,
  [a, b]: readonly [number, number],
  forced: DoubleDouble,
  noise: number,
): Look {
  const offset = offsetBetween(supernodes, probe.to, probe.from);
  if (a === b) {
    const current = probe.kind === 'resistance' ? divide(negate(offset), probe.resistance) : null;
    return {
      port: { conductance: null, shortCircuitCurrent: null },
      across: zero,
      current: probe.kind === 'open' ? zero : current,
    };
  }
  const between = mesh.between(a, b);
  if (!between) {
    const across = multiply(forced, probe.resistance);
    return { port: { conductance: zero, shortCircuitCurrent: zero }, across: add(across, offset), current: forced };
  }
  const { g, f } = between;
  const short = settle(subtract(f, multiply(g, offset)), noise * g.hi);
  const port: Port = { conductance: g, shortCircuitCurrent: short };
  switch (probe.kind) {
    case 'ideal':
      return { port, across: offset, current: short };
    case 'resistance': {
      const drop = divide(multiply(short, probe.resistance), add(exactly(1), multiply(g, probe.resistance)));
      return { port, across: add(drop, offset), current: divide(drop, probe.resistance) };
    }
    case 'current':
    case 'open':
      return { port, across: add(divide(short, g), offset), current: zero };
  }
}

function branchCurrents(
  circuit: Circuit,
  supernodes: Supernodes,
  voltage: (from: number, to: number) => DoubleDouble | null,
  noise: number,
  lookFrom: number,
  probeCurrent: DoubleDouble | null,
): (DoubleDouble | null)[] {
  const { branches, nodes } = circuit;
  const leaving: DoubleDouble[] = new Array<DoubleDouble>(nodes).fill(zero);
  const uncertainty = new Float64Array(nodes);
  const hasIdeal = branches.some((branch) => branch.kind === 'ideal');
  const currents = branches.map((branch, index) => {
    const current = index === lookFrom ? probeCurrent : ownCurrent(branch, voltage, noise);
    if (!hasIdeal || current === null) return current;
    leaving[branch.from] = add(leaving[branch.from]!, current);
    leaving[branch.to] = subtract(leaving[branch.to]!, current);
    const uncertain =
      Math.abs(current.hi) * directNoise + (branch.kind === 'resistance' ? noise / branch.resistance.hi : 0);
    uncertainty[branch.from]! += uncertain;
    uncertainty[branch.to]! += uncertain;
    return current;
  });

  const shared = new Set(supernodes.shared);
  const probe = branches[lookFrom];
  if (probe && probeCurrent === null)
    for (const index of pathBetween(probe.from, probe.to, supernodes.parentBranch, supernodes.parentNode))
      shared.add(index);
  for (let i = supernodes.order.length - 1; i >= 0; i -= 1) {
    const node = supernodes.order[i]!;
    const index = supernodes.parentBranch[node]!;
    if (index === -1) continue;
    const parent = supernodes.parentNode[node]!;
    const fed = settle(leaving[node]!, uncertainty[node]!);
    leaving[parent] = add(leaving[parent]!, fed);
    uncertainty[parent]! += uncertainty[node]!;
    if (!shared.has(index)) currents[index] = branches[index]!.to === node ? fed : negate(fed);
  }
  return currents;
}

/** The current that a branch's own law gives; null for an ideal branch, whose current the rest of the circuit decides. */
function ownCurrent(
  branch: Branch,
  voltage: (from: number, to: number) => DoubleDouble | null,
  noise: number,
): DoubleDouble | null {
  switch (branch.kind) {
    case 'resistance': {
      const across = voltage(branch.from, branch.to)!;
      return divide(branch.emf.hi === 0 ? across : settle(subtract(across, branch.emf), noise), branch.resistance);
    }
    case 'current':
      return exactly(branch.current);
    case 'open':
      return zero;
    case 'ideal':
      return null;
  }
}

/** The first current source on a point from which its current has no way back. */
function blame(circuit: Circuit, supernodes: Supernodes, points: readonly number[]): string[] {
  const stranded = circuit.branches.find(
    (branch) =>
      branch.kind === 'current' &&
      branch.current !== 0 &&
      points.includes(supernodes.group[branch.from]!) !== points.includes(supernodes.group[branch.to]!),
  );
  return stranded ? [stranded.id] : [];
}

/** V of one node above another by the ideal sources of their groups alone. */
function offsetBetween({ offset }: Supernodes, from: number, to: number): DoubleDouble {
  const [a, b] = [offset[from]!, offset[to]!];
  return a === zero && b === zero ? zero : subtract(a, b);
}

/** Returns 0 for a value below the noise of the computation. */
const settle = (value: DoubleDouble, noise: number): DoubleDouble => (Math.abs(value.hi) <= noise ? zero : value);

/** Ω between a port's terminals; null if nothing joins them. */
export function portResistance(port: Port): number | null {
  if (port.conductance === null) return 0;
  return port.conductance.hi === 0 ? null : toNumber(divide(exactly(1), port.conductance));
}
