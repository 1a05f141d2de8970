import type { Network } from '@usual-drag/core/network';
import { solveUnloaded, type Meter } from '@usual-drag/core/loading';
import {
  ammeterMarks,
  drawingMarks,
  drawRails,
  leadSign,
  voltmeterMarks,
  type Mark,
  type RailDrawing,
} from '@usual-drag/core/drawing';
import { useMemo } from 'react';
import { MarksView } from './marks-view.tsx';

interface Props {
  readonly network: Network;
  readonly label: string;
  /** Meters in their places, with their names only. */
  readonly meters?: readonly Meter[];
  /** Names without values. */
  readonly bare?: boolean;
  /** px of the rails: fewer make the names larger beside them. */
  readonly height?: number;
  readonly className?: string;
}

const noMeters: readonly Meter[] = [];

/** A network as a still picture that takes the width it is given, its rails evenly spaced. */
export function NetworkPicture({
  network,
  label,
  meters = noMeters,
  bare = false,
  height: rails = 360,
  className = 'max-h-[26rem]',
}: Props) {
  const picture = useMemo(() => {
    const unloaded = solveUnloaded(network);
    const truth = unloaded.ok ? unloaded.value.values : null;
    const drawing = drawRails({ network, truth, meters, spacing: 'even', height: rails, width: 560 });
    const circuit = drawingMarks(drawing, network, { resistor: 'box' });
    const named = bare ? circuit.filter((mark) => mark.shape === 'path' || mark.bold) : circuit;
    return { ...drawing, marks: [...named, ...meterMarks(drawing)] };
  }, [network, meters, bare, rails]);
  const { width, height, marks } = picture;
  return (
    <svg role="img" aria-label={label} viewBox={`0 0 ${width} ${height}`} className={`w-full ${className}`}>
      <MarksView marks={marks} />
    </svg>
  );
}

function meterMarks({ voltmeters, ammeters }: RailDrawing): Mark[] {
  const style = { lines: [], chosen: false };
  return [
    ...voltmeters.flatMap((mark) => [
      ...voltmeterMarks(mark, style),
      ...leadSign('red', mark.x, mark.yRed, mark.yRed < mark.y ? 1 : -1),
      ...leadSign('black', mark.x, mark.yBlack, mark.yBlack < mark.y ? 1 : -1),
    ]),
    ...ammeters.flatMap((mark) => ammeterMarks(mark, style)),
  ];
}
