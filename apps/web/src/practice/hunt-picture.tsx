import { makeHunt } from '@usual-drag/core/practice';
import { memo, useMemo } from 'react';
import { NetworkPicture } from '../drawing/network-picture.tsx';

/** An example of a bench with a fault: always the same one. */
export const HuntPicture = memo(function HuntPicture() {
  const { network } = useMemo(() => makeHunt(1, 1), []).job;
  return <NetworkPicture network={network} label="A bench with a fault" bare height={200} className="max-h-24" />;
});
