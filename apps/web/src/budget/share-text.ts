import { formatPercent } from '@usual-drag/core/quantity';

/** The least share that is written as it is. */
const leastShare = 0.0005;

/** Writes a share of u². */
export const shareText = (share: number): string =>
  share < leastShare ? '< 0.1\u00a0%' : formatPercent(share, { digits: 3 });
