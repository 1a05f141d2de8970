/** A command line that makes no sense; the message says why. */
export class Misuse extends Error {}
