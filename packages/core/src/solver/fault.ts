/** Reason why a circuit has no solution. */
export interface SolverFault {
  readonly code: 'source-conflict' | 'current-source-open' | 'out-of-range';
  /** Ids of the branches that it may be mended at, in their order: of a contradiction all that no resistance parts from it. */
  readonly where: readonly string[];
  /** Ids of those among them that contradict each other, a loop. */
  readonly loop?: readonly string[];
}
