import { ammeterMarks, drawRails, voltmeterMarks, type PartStyle } from '@usual-drag/core/drawing';
import { solveUnloaded, type Meter } from '@usual-drag/core/loading';
import { endsAt, nodesOf, type Network } from '@usual-drag/core/network';
import { useMemo } from 'react';
import { LeadHandle } from '../drawing/lead-handle.tsx';
import { MarksView } from '../drawing/marks-view.tsx';
import { PartView } from '../drawing/part-view.tsx';
import { RailView } from '../drawing/rail-view.tsx';
import { placeOf, withPart, withRail, type HuntSpot } from './hunt-place.ts';

interface Props {
  readonly network: Network;
  readonly spot: HuntSpot;
  /** Omitted once the hunt is over. */
  readonly onPlace?: ((spot: HuntSpot) => void) | undefined;
}

const style: PartStyle = { resistor: 'box' };

/** The fault-free circuit with the meter in it: leads are dragged from rail to rail, rails and parts are picked. */
export function HuntDrawing({ network, spot, onPlace }: Props) {
  const nodes = useMemo(() => nodesOf(network), [network]);
  const meters = useMemo((): readonly Meter[] => {
    const { red, black } = spot;
    if (spot.quantity === 'dc-voltage')
      return [{ id: 'V', instrument: '', range: '', quantity: 'dc-voltage', red, black }];
    const place = placeOf(spot, network);
    return place?.quantity === 'dc-current' ? [{ ...place, id: 'A' }] : [];
  }, [spot, network]);
  const drawing = useMemo(() => {
    const unloaded = solveUnloaded(network);
    const truth = unloaded.ok ? unloaded.value.values : null;
    return drawRails({ network, truth, meters, spacing: 'even', height: 360, width: 560 });
  }, [network, meters]);
  const { quantity, part } = spot;
  return (
    <svg
      role="group"
      aria-label="Fault-free circuit, with the meter"
      viewBox={`0 0 ${drawing.width} ${drawing.height}`}
      className="max-h-[26rem] w-full touch-none select-none"
    >
      {drawing.parts.map((one) => (
        <PartView
          key={one.element.id}
          part={one}
          style={style}
          selected={quantity !== 'dc-voltage' && one.element.id === part}
          onSelect={onPlace && ((id) => onPlace(withPart(spot, network, id)))}
        />
      ))}
      {drawing.rails.map((rail) => (
        <RailView
          key={rail.node}
          rail={rail}
          nodes={nodes}
          joined={`joins ${endsAt(network, rail.node).join(', ')}`}
          onSelect={onPlace && ((node) => onPlace(withRail(spot, node)))}
        />
      ))}
      {drawing.ammeters.map((mark) => (
        <MarksView key={mark.id} marks={ammeterMarks(mark, { lines: [], chosen: true })} />
      ))}
      {drawing.voltmeters.map((mark) => (
        <g key={mark.id}>
          <MarksView marks={voltmeterMarks(mark, { lines: [], chosen: true })} />
          {onPlace &&
            (['red', 'black'] as const).map((lead) => {
              const y = lead === 'red' ? mark.yRed : mark.yBlack;
              return (
                <LeadHandle
                  key={lead}
                  lead={lead}
                  meter="V"
                  node={spot[lead]}
                  x={lead === 'black' && mark.yRed === mark.yBlack ? mark.x - 32 : mark.x}
                  y={y}
                  side={y < mark.y ? 1 : -1}
                  rails={drawing.rails}
                  order={drawing.arrangement.rails}
                  onPreview={() => undefined}
                  onPlace={(node) => onPlace({ ...spot, [lead]: node })}
                  onCancel={() => undefined}
                />
              );
            })}
        </g>
      ))}
    </svg>
  );
}
