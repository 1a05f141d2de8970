/** Result of one trial. */
export interface Finding {
  readonly name: string;
  readonly tried: string;
  /** Acknowledged as saved and not there afterwards. */
  readonly lost: number;
  /** Answers of status 500. */
  readonly faults: number;
  readonly stackTraces: number;
}

/** Returns whether a text shows where in the program something failed. */
export const hasStackTrace = (text: string): boolean => /\n\s+at .*[:(]\d+|\.js:\d+:\d+/.test(text);
