/** Why a circuit has no solution. */
export interface SolverFault {
  readonly code: 'source-conflict' | 'current-source-open' | 'out-of-range';
  /** Ids of the branches that cause it, in their order. */
  readonly where: readonly string[];
}
