import type { Hypothesis } from '@usual-drag/core/faults';

/** Returns whether two hypotheses are the same fault with the same value. */
export const isSameFault = (a: Hypothesis, b: Hypothesis): boolean =>
  a.fault === b.fault && a.where.join() === b.where.join() && JSON.stringify(a.value) === JSON.stringify(b.value);
