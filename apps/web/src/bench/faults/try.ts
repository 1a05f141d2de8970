import { faultSentence, withFault, type Hypothesis } from '@usual-drag/core';
import type { TriedFault } from '../model/tried.ts';

/** A hypothesis as it is tried on the bench. */
export const asTried = (hypothesis: Hypothesis): TriedFault => ({
  hypothesis,
  sentence: faultSentence(hypothesis),
  put: (bench) => withFault(bench, hypothesis),
});

/** Whether two hypotheses are one and the same. */
export const isSameFault = (a: Hypothesis, b: Hypothesis): boolean =>
  a.fault === b.fault && a.where.join() === b.where.join() && JSON.stringify(a.value) === JSON.stringify(b.value);
