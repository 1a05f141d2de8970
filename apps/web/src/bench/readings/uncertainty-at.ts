import { readingUncertainty } from '@usual-drag/core';

/** U, k = 2, of a reading that shows what is expected: accuracy and resolution as rectangular limits. */
export function uncertaintyAt(...of: Parameters<typeof readingUncertainty>): number {
  const { accuracy, resolution } = readingUncertainty(...of);
  return 2 * Math.sqrt((accuracy ** 2 + resolution ** 2) / 3);
}
