export { answerTo } from './answer.ts';
export { markAnswer, markAnswers, type GivenAnswer, type AnswerMark } from './mark.ts';
export { makeProblem, withSolution } from './problems/make-problem.ts';
export {
  levels,
  problemKinds,
  type Answer,
  type Ask,
  type AskedFor,
  type Level,
  type Problem,
  type ProblemKind,
} from './problems/problem.ts';
export { simulatedBench, type BenchPlace, type SimulatedBench } from './simulated-bench.ts';
export { slips, mistakeSentences, type Mistake } from './mistakes/mistake.ts';
export { workingOf } from './working.ts';
export {
  bestLine,
  costOf,
  costOfLine,
  isTheFault,
  makeHunt,
  readingCosts,
  wrongAnswerCost,
  type FaultHunt,
  type HuntPlace,
} from './fault-hunt.ts';
export { rowsFromAttempts } from './attempt-rows.ts';
export { nextProblem, progressOf, type Attempt, type KindProgress } from './attempts.ts';
export { newSeries, readSeries, type ProblemSeries, type SetProblem } from './problems/problem-series.ts';
export { nameableFaults, type NameableFault } from './nameable-faults.ts';
export { readOnLowestRange, type SharpReading } from './read-on-lowest-range.ts';
export { Draw } from './problems/draw.ts';
export { drawFault } from './hidden-fault.ts';
export { isHiddenAt } from './by-kind.ts';
