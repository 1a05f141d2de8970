/** Reason why a command cannot be run or its result not be written, in a sentence. */
export class Failure extends Error {}

/** A command line that is not understood. */
export class Misuse extends Failure {}
