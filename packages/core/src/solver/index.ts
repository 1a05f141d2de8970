export { breakResistance, resistanceBetween, type PairResistance } from './all-pairs.ts';
export type { Branch, Circuit, LoadLaw } from './circuit.ts';
export { elementBranch } from './element-branch.ts';
export {
  add,
  divide,
  exactly,
  multiply,
  negate,
  subtract,
  toNumber,
  zero,
  type DoubleDouble,
} from './linear/double-double.ts';
export type { SolverFault } from './fault.ts';
export { portResistance, type CircuitSolution, type Port } from './linear/solve-linear.ts';
export { solveCircuit } from './solve-circuit.ts';
export { attach, circuitOf, type Attachment, type NetworkCircuit } from './network-circuit.ts';
export { networkValues, type ElementValues, type NetworkValues } from './network-values.ts';
export { solveLimited } from './limited-supply.ts';
export { quickCircuit, type QuickCircuit } from './quick-circuit.ts';
export { sourceViews } from './source-view.ts';
export { loopSums, nodeSums } from './sums.ts';
export { sweep, sweepValues, withParameter, watchedValue, type SweepOutput } from './sweep.ts';
export {
  firstOutput,
  sweepOutputsOf,
  sweepParametersOf,
  type NamedOutput,
  type NamedParameter,
} from './sweep-parameters.ts';
