export { markAnswer, markAnswers, type GivenAnswer, type Mark, type Marking } from './mark.ts';
export { makeProblem, withSolution } from './make-problem.ts';
export {
  levels,
  problemKinds,
  type Answer,
  type Ask,
  type AskedFor,
  type Level,
  type Problem,
  type ProblemKind,
} from './problem.ts';
export { simulatedBench, type BenchPlace, type SimulatedBench } from './simulated-bench.ts';
export { slipSentences, type Slip } from './slip.ts';
export { workingOf, type WorkingStep } from './working.ts';
