/** Error in a command line; the message contains the reason. */
export class Misuse extends Error {}
