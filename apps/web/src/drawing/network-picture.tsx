import { drawingMarks, drawRails, solveUnloaded, type Network } from '@usual-drag/core';
import { useMemo } from 'react';
import { MarksView } from './marks-view.tsx';

/** A network as a still picture that takes the width it is given, its rails evenly spaced. */
export function NetworkPicture({ network, label }: { readonly network: Network; readonly label: string }) {
  const picture = useMemo(() => {
    const unloaded = solveUnloaded(network);
    const truth = unloaded.ok ? unloaded.value.values : null;
    const drawing = drawRails({ network, truth, spacing: 'even', height: 360, width: 560 });
    return { ...drawing, marks: drawingMarks(drawing, network, { resistor: 'box' }) };
  }, [network]);
  const { width, height, marks } = picture;
  return (
    <svg role="img" aria-label={label} viewBox={`0 0 ${width} ${height}`} className="max-h-[26rem] w-full">
      <MarksView marks={marks} />
    </svg>
  );
}
