/** Reason why the server cannot start, in one sentence with what to do about it. */
export class StartFailure extends Error {}
