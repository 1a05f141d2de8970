import {
  drawingEdge,
  drawRails,
  nodesOf,
  type Meter,
  type Network,
  type NetworkValues,
  type RailDrawing,
  type Setup,
  type SetupValues,
} from '@usual-drag/core';
import { useMemo, type ReactNode } from 'react';
import { EndHandles } from '../drawing/end-handles.tsx';
import { LeadHandle } from '../drawing/lead-handle.tsx';
import { AmmeterView, VoltmeterView } from '../drawing/meter-view.tsx';
import { AxisView, PartView, RailView } from '../drawing/rails-view.tsx';
import { SagPattern, SagView } from '../drawing/sag-view.tsx';
import { Sheet, shrinkage, useSize, type Size } from '../drawing/sheet.tsx';
import { meterLines } from './meter-words.ts';

/** What a set-up adds to the drawing, and what can be done with it there. */
interface DrawnSetup {
  readonly setup: Setup;
  readonly values: SetupValues | null;
  /** The meter whose leads can be moved. */
  readonly chosen: string | null;
  readonly onPreview: (meter: Meter) => void;
  readonly onPlace: (meter: Meter) => void;
  readonly onCancel: () => void;
  readonly onChoose: (meter: string) => void;
}

interface Props {
  readonly network: Network;
  readonly truth: NetworkValues | null;
  readonly spacing: 'even' | 'scale';
  readonly live?: Readonly<Record<string, string>>;
  readonly selected?: string | null;
  readonly onSelect?: (element: string) => void;
  readonly drawn?: DrawnSetup | null;
  readonly children?: ReactNode;
}

/** A drawing that is wider than its room is shrunk; the height that this leaves over is drawn into. */
function fitted(room: Size, draw: (height: number) => RailDrawing): RailDrawing {
  const first = draw(Math.max(240, room.height - drawingEdge));
  const scale = shrinkage(first, room);
  return scale < 1 && first.height < room.height / scale ? draw(room.height / scale - drawingEdge) : first;
}

/** The network as rails, with the meters of a set-up where they stand. The same drawing through all stations. */
export function BenchDrawing({ network, truth, spacing, live, selected, onSelect, drawn }: Props) {
  const [ref, room] = useSize();
  const nodes = useMemo(() => nodesOf(network), [network]);
  const setup = drawn?.setup;
  const values = drawn?.values ?? null;
  const lines = useMemo(() => (setup ? meterLines(setup, values) : {}), [setup, values]);
  const drawing = useMemo(
    () =>
      fitted(room, (height) =>
        drawRails({
          network,
          truth,
          loaded: values,
          meters: setup?.meters ?? [],
          spacing,
          height,
          width: room.width,
          ...(live && { live }),
          meterLines: lines,
        }),
      ),
    [network, truth, values, setup?.meters, spacing, room, live, lines],
  );
  const chosen = drawn?.setup.meters.find((meter) => meter.id === drawn.chosen);

  return (
    <div ref={ref} className="drawing min-h-0 min-w-0 grow overflow-auto">
      <Sheet label="Drawing of the network" width={drawing.width} height={drawing.height} room={room}>
        <defs>
          <SagPattern />
        </defs>
        {drawing.axis && <AxisView axis={drawing.axis} width={drawing.width} />}
        {drawn?.values &&
          drawing.voltmeters.map((mark) => {
            const meter = drawn.setup.meters.find((m) => m.id === mark.id);
            const error = drawn.values?.meters[mark.id]?.error;
            if (meter?.quantity !== 'dc-voltage' || !error || mark.id !== (drawn.chosen ?? mark.id)) return null;
            return <SagView key={mark.id} drawing={drawing} mark={mark} red={meter.red} error={error} />;
          })}
        {drawing.parts.map((part) => (
          <PartView
            key={part.element.id}
            part={part}
            selected={selected === part.element.id}
            metered={drawn?.values != null}
            onSelect={onSelect && (() => onSelect(part.element.id))}
          />
        ))}
        {drawing.rails.map((rail) => (
          <RailView key={rail.node} rail={rail} nodes={nodes} />
        ))}
        {drawn &&
          drawing.ammeters.map((mark) => (
            <AmmeterView
              key={mark.id}
              mark={mark}
              lines={lines[mark.id] ?? []}
              chosen={mark.id === drawn.chosen}
              blown={drawn.values?.meters[mark.id]?.state === 'fuse-blown'}
            />
          ))}
        {drawn && chosen?.quantity === 'dc-current' && (
          <EndHandles drawing={drawing} setup={drawn.setup} meter={chosen} onPlace={drawn.onPlace} />
        )}
        {drawn &&
          drawing.voltmeters.map((mark) => {
            const meter = drawn.setup.meters.find((m) => m.id === mark.id);
            if (meter?.quantity !== 'dc-voltage') return null;
            return (
              <g key={mark.id} onPointerDown={() => drawn.onChoose(mark.id)}>
                <VoltmeterView mark={mark} lines={lines[mark.id] ?? []} chosen={mark.id === drawn.chosen} />
                {(['red', 'black'] as const).map((lead) => {
                  const y = lead === 'red' ? mark.yRed : mark.yBlack;
                  return (
                    <LeadHandle
                      key={lead}
                      lead={lead}
                      meter={meter.id}
                      node={meter[lead]}
                      x={lead === 'black' && mark.yRed === mark.yBlack ? mark.x - 32 : mark.x}
                      y={y}
                      side={y < mark.y ? 1 : -1}
                      rails={drawing.rails}
                      onPreview={(node) => drawn.onPreview({ ...meter, [lead]: node })}
                      onPlace={(node) => drawn.onPlace({ ...meter, [lead]: node })}
                      onCancel={drawn.onCancel}
                    />
                  );
                })}
              </g>
            );
          })}
      </Sheet>
    </div>
  );
}
