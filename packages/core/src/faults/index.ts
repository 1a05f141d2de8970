export type { Bench, TryableFault } from './fault-kind.ts';
export {
  isFaultName,
  type CircuitFault,
  type CircuitHypothesis,
  type FaultName,
  type Hypothesis,
  type HypothesisOf,
  type ReadingFault,
  type ReadingHypothesis,
} from './kinds/index.ts';
export { contactName } from './kinds/contact.ts';
export { openSwitch } from './kinds/open.ts';
export type { RealPlace } from './kinds/wrong-place.ts';
export {
  changesPart,
  checkFor,
  faultSentence,
  isOfReading,
  possibleFaults,
  replacesTolerance,
  tryableFaults,
  withFault,
} from './hypothesis.ts';
export { acrossPart, wrongConnectionsOf, type WrongConnection } from './connect-wrongly.ts';
export { solveWrongConnection, type WrongConnectionOutcome } from './wrong-connection.ts';
export { misleadingReadings } from './misleading-readings.ts';
