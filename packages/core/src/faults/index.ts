export { isOfReading, type CircuitFault, type Hypothesis, type ReadingFault, type RealPlace } from './fault.ts';
export { faultsOfElement, possibleFaults } from './possible-faults.ts';
export { contactName, openSwitch, withFault, type Bench } from './with-fault.ts';
export { faultSentence } from './fault-words.ts';
export { checkFor } from './check-words.ts';
export { acrossPart, wrongConnectionsOf, type WrongConnection } from './connect-wrongly.ts';
export { solveWrongConnection, type WrongConnectionOutcome } from './wrong-connection.ts';
export { faultsOnPurpose, type FaultOnPurpose } from './tryable-faults.ts';
export { misleadingReadings, type MisleadingReading } from './misleading-readings.ts';
