import type { Network } from '../network/index.ts';
import { ok, type Result } from '../result.ts';
import { toNumber } from './linear/double-double.ts';
import type { SolverFault } from './fault.ts';
import { circuitOf } from './network-circuit.ts';
import { solveCircuit } from './solve-circuit.ts';
import { portResistance } from './linear/solve-linear.ts';

/** View of a source in its network. */
export interface SourceView {
  readonly id: string;
  /** Ω between its terminals without it, the other sources at rest; null if nothing joins them. */
  readonly equivalent: number | null;
  /** V at its terminals with nothing connected: the EMF of all its cells; null for a current source. */
  readonly openCircuit: number | null;
  /** V at its terminals in the network; null if nothing determines it. */
  readonly loaded: number | null;
  /** A out of its + terminal. */
  readonly current: number | null;
}

/** Returns the view of every source of a network, voltage and current sources alike, in order of entry. */
export function sourceViews(network: Network): Result<readonly SourceView[], SolverFault> {
  const { circuit } = circuitOf(network);
  const whole = solveCircuit(circuit);
  if (!whole.ok) return whole;
  const views: SourceView[] = [];
  for (const [index, element] of network.elements.entries()) {
    if (element.kind !== 'source' && element.kind !== 'current-source') continue;
    const looked = solveCircuit(whole.value.circuit, index);
    const branch = circuit.branches[index]!;
    const across = whole.value.voltage(branch.from, branch.to);
    const through = whole.value.currents[index];
    views.push({
      id: element.id,
      equivalent: looked.ok ? portResistance(looked.value.port!) : null,
      openCircuit: element.kind === 'source' ? toNumber(branch.emf) : null,
      loaded: across && toNumber(across) + 0,
      current: through ? 0 - toNumber(through) : null,
    });
  }
  return ok(views);
}
