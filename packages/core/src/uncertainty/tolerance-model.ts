import { findRange, type Instrument } from '../instrument/index.ts';
import { attachmentOf, solveSetup, solveUnloaded, type Setup } from '../loading/index.ts';
import { isToleranced, type Network, type Resistor } from '../network/index.ts';
import {
  attach,
  circuitOf,
  quickCircuit,
  type NetworkCircuit,
  type QuickCircuit,
  type SweepOutput,
} from '../solver/index.ts';

/** A result whose tolerance is asked for: a true value, or what a meter of the set-up indicates. */
export type ToleranceOutput = SweepOutput | { readonly meter: string };

/** Question of a tolerance study: which value of which network. */
export interface ToleranceQuestion {
  readonly network: Network;
  readonly instruments: readonly Instrument[];
  /** The meters that are in; null for true values. */
  readonly setup: Setup | null;
  readonly output: ToleranceOutput;
}

/** One result as a function of the toleranced resistances. */
export interface ToleranceModel {
  /** The resistors that may be off, in the order of the values. */
  readonly parts: readonly { readonly id: string; readonly resistance: number; readonly tolerance: number }[];
  /** The result for other resistances, Ω: V, A or W. */
  valueAt(resistances: ArrayLike<number>): number;
}

/**
 * Lays a network out so that one result can be had quickly for any resistances within tolerance.
 *
 * A resistor that works by its measured value is known and not varied. Fuses are as at the nominal values.
 *
 * @returns null if nothing determines the result
 */
export function toleranceModel({ network, instruments, setup, output }: ToleranceQuestion): ToleranceModel | null {
  const unloaded = solveUnloaded(network);
  const values = unloaded.ok && setup ? solveSetup(unloaded.value, instruments, setup) : null;
  if (!unloaded.ok || (values && !values.ok)) return null;
  const states = values?.value.meters ?? {};
  const meters = (setup?.meters ?? []).map((meter) => {
    const range = findRange(
      instruments.find(({ id }) => id === meter.instrument)!,
      meter.quantity,
      meter.range,
    )!;
    return attachmentOf(meter, range, states[meter.id]?.state === 'fuse-blown');
  });
  const named = attach(circuitOf(network), meters);
  const varied = network.elements.flatMap((element, index) => (isToleranced(network, element) ? [index] : []));
  const quick = quickCircuit(named.circuit, varied);
  const result = quick && resultOf(quick, network, setup, output, named);
  if (!result) return null;
  const parts = varied.map((index) => {
    const { id, resistance, tolerance } = network.elements[index] as Resistor;
    return { id, resistance, tolerance: Math.min(tolerance!, 0.99) };
  });
  const valueAt = (resistances: ArrayLike<number>): number => {
    quick.solve(resistances);
    return result();
  };
  return Number.isNaN(valueAt(parts.map(({ resistance }) => resistance))) ? null : { parts, valueAt };
}

/** Reads the result out of a circuit as last solved; null if there is no such result. */
function resultOf(
  quick: QuickCircuit,
  network: Network,
  setup: Setup | null,
  output: ToleranceOutput,
  { circuit, nodeNumber }: NetworkCircuit,
): (() => number) | null {
  if ('meter' in output) {
    const index = setup?.meters.findIndex(({ id }) => id === output.meter) ?? -1;
    const meter = setup?.meters[index];
    if (!meter) return null;
    if (meter.quantity === 'dc-voltage') {
      const [red, black] = [nodeNumber.get(meter.red)!, nodeNumber.get(meter.black)!];
      return () => quick.voltage(red, black);
    }
    const branch = network.elements.length + index;
    return meter.reversed ? () => -quick.current(branch) : () => quick.current(branch);
  }
  if ('node' in output) {
    const node = nodeNumber.get(output.node);
    return node === undefined ? null : () => quick.voltage(node, circuit.reference);
  }
  const index = network.elements.findIndex(({ id }) => id === output.element);
  const element = network.elements[index];
  if (!element) return null;
  const { from, to } = circuit.branches[index]!;
  const sign = element.kind === 'source' || element.kind === 'current-source' ? -1 : 1;
  switch (output.what) {
    case 'voltage':
      return () => quick.voltage(from, to);
    case 'current':
      return () => sign * quick.current(index);
    case 'power':
      return () => sign * quick.voltage(from, to) * quick.current(index);
  }
}
